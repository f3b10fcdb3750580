package mindspool.server.storage;

import java.util.List;
import mindspool.core.storage.Isotherm;
import mindspool.core.storage.StorageReplay.MassFrom;

/**
 * What lies in the places and lay there, as far as its water is concerned. The shelf supplies it.
 */
public interface PlaceContents {

  /** Everything that takes water up or gives it off. */
  List<Occupant> occupants();

  /**
   * A spool.
   *
   * @param id its number
   * @param isotherm of its polymer
   * @param dryMassG of its polymer on arrival
   * @param lagH its time constant then
   * @param later what was left of it afterwards, in order of time
   * @param cardboardG paper board in its reel, g
   * @param startHumidity with which it was in balance on arrival, 0..1
   * @param stays where it lay, in order of time
   */
  record Occupant(
      long id,
      Isotherm isotherm,
      double dryMassG,
      double lagH,
      List<MassFrom> later,
      double cardboardG,
      double startHumidity,
      List<OccupantStay> stays) {}

  /** From a time on it lies in a place; sealed in its bag it exchanges nothing. */
  record OccupantStay(double fromS, long placeId, boolean sealed) {}
}
