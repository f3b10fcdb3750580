package mindspool.simulators;

import java.util.List;

/** Names and topics that the demonstration and its simulated devices share. */
public final class WeirLane {

  public static final long SEED = 20;

  /** Days of weather before the day on which the demonstration starts. */
  public static final int DAYS_BEFORE = 60;

  private static final int DAYS_AFTER = 60;

  public static final String WORKSHOP_AIR = "weir-lane/workshop/air";
  public static final String BACK_ROOM_AIR = "weir-lane/back-room/air";
  public static final String PRINTER_AIR = "weir-lane/printer-1/air";

  /** Printers by name with their topic, and the share of the bed's warmth that each keeps. */
  public static final List<PrinterTopic> PRINTERS =
      List.of(
          new PrinterTopic("Enclosed printer", "weir-lane/printer-1/state", 0.35),
          new PrinterTopic("Open printer", "weir-lane/printer-2/state", 0),
          new PrinterTopic("Tall printer", "weir-lane/printer-3/state", 0.2));

  /** A printer that publishes. */
  public record PrinterTopic(String name, String topic, double keeps) {}

  public static final String DRYER_AIR = "weir-lane/dryer-1/air";
  public static final String SCALE = "weir-lane/bench-scale";

  /** The place under whose spool the scale stands; it holds one. */
  public static final String WEIGHING_BENCH = "Weighing bench";

  /** Step of that scale, g. */
  public static final double SCALE_STEP_G = 0.1;

  /** How much cooler the back room is. */
  public static final double BACK_ROOM_K = -2.5;

  private WeirLane() {}

  /** The weather of a demonstration that starts at some time; the same all through that day. */
  public static WorkshopWeather weather(long nowS) {
    long today = nowS - nowS % 86_400;
    return new WorkshopWeather(today - DAYS_BEFORE * 86_400L, DAYS_BEFORE + DAYS_AFTER, SEED);
  }
}
