package mindspool.server.air;

import java.util.List;

/** When dryers ran, from whoever keeps their cycles. */
public interface DryerRuns {

  /** Runs of a dryer in order of time; empty where none was ever recorded. */
  List<DryerRun> of(long placeId);

  /**
   * A span in which a dryer heats; epoch seconds.
   *
   * @param toS its end, in the future while it runs
   * @param coolUntilS up to then it is kept at the lower temperature
   * @param coolAirC true air temperature up to then
   * @param airC and afterwards
   * @param warmingTimeS time constant of its warm-up
   * @param vapour what spools and desiccant inside make of the room's vapour, in order of time;
   *     empty where the air is exchanged so freely that it is the room's
   */
  record DryerRun(
      double fromS,
      double toS,
      double coolUntilS,
      double coolAirC,
      double airC,
      double warmingTimeS,
      List<VapourChange> vapour) {}

  /** Vapour pressure inside above the room's from a time on, Pa; below 0 over desiccant. */
  record VapourChange(double fromS, double morePa) {}
}
