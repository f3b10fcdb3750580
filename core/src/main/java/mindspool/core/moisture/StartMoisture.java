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
    SEALED_TIGHT(new StartMoisture(8, 5)),
    /** The seal leaked: half-way to a room since packing. */
    SLACK_BAG(new StartMoisture(38, 14)),
    /** Lay in the open: in balance with an ordinary room. */
    OPEN(new StartMoisture(48, 12));

    private final StartMoisture assumed;

    Arrival(StartMoisture assumed) {
      this.assumed = assumed;
    }

    public StartMoisture assumed() {
      return assumed;
    }
  }
}
