package mindspool.core.moisture;

import mindspool.core.Require;

/**
 * What is assumed of a spool's water when it arrives: as if it had come into balance with air of
 * some humidity.
 *
 * @param humidityPercent humidity of that air, %
 * @param uncertaintyPercent one standard deviation of it, %
 */
public record StartMoisture(double humidityPercent, double uncertaintyPercent) {

  public StartMoisture {
    Require.within("humidityPercent", humidityPercent, 0, 100, "%");
    Require.within("uncertaintyPercent", uncertaintyPercent, 0, 50, "%");
  }

  /** State in which a spool arrives. Values: estimates (grade D), to be corrected by weighing. */
  public enum Arrival {
    /** Film drawn tight: dry air and a working sachet. */
    SEALED_TIGHT("bag sealed tight", "film drawn tight over the reel", new StartMoisture(8, 5)),
    /** The seal leaked: half-way to a room since packing. */
    SLACK_BAG("bag slack", "the seal leaked: exposed since packing", new StartMoisture(38, 14)),
    /** Lay in the open: in balance with an ordinary room. */
    OPEN("open", "no bag, or opened before", new StartMoisture(48, 12));

    private final String title;
    private final String sign;
    private final StartMoisture assumed;

    Arrival(String title, String sign, StartMoisture assumed) {
      this.title = title;
      this.sign = sign;
      this.assumed = assumed;
    }

    /** What it is called. */
    public String title() {
      return title;
    }

    /** By what it is known. */
    public String sign() {
      return sign;
    }

    public StartMoisture assumed() {
      return assumed;
    }
  }
}
