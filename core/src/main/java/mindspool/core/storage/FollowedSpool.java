package mindspool.core.storage;

import static mindspool.core.storage.StorageReplay.STEP_S;

import java.util.List;
import mindspool.core.climate.MoistAir;
import mindspool.core.storage.StorageReplay.Content;
import mindspool.core.storage.StorageReplay.MassFrom;
import mindspool.core.storage.StorageReplay.Whereabouts;

/** A spool as it is followed: the water in its filament and in its cardboard. */
final class FollowedSpool {
  final Content content;
  final WaterStore filament;
  final WaterStore board;
  int stay = -1;
  int mass = 0;

  FollowedSpool(Content content) {
    this.content = content;
    this.filament =
        WaterStore.of(
            content.isotherm(),
            content.dryMassG(),
            content.lagH(),
            content.dryMassG() * content.isotherm().fraction(content.startHumidity()));
    this.board =
        content.cardboardG() > 0
            ? WaterStore.cardboard(content.cardboardG(), content.startHumidity())
            : null;
  }

  /** As it was at a time, having passed everything before it. */
  FollowedSpool(Content content, StorageState.ContentState known, double timeS) {
    this.content = content;
    this.filament = known.filament().copy();
    this.board = known.board() == null ? null : known.board().copy();
    while (mass < content.later().size() && content.later().get(mass).fromS() < timeS) {
      mass++;
    }
    while (stay + 1 < content.whereabouts().size()
        && content.whereabouts().get(stay + 1).fromS() < timeS) {
      stay++;
    }
  }

  long filamentKey() {
    return 2 * content.id();
  }

  long boardKey() {
    return 2 * content.id() + 1;
  }

  StorageState.ContentState state() {
    return new StorageState.ContentState(filament.copy(), board == null ? null : board.copy());
  }

  /** What is left after a use, from its time on. */
  void use(double until) {
    List<MassFrom> masses = content.later();
    for (; mass < masses.size() && masses.get(mass).fromS() < until; mass++) {
      MassFrom left = masses.get(mass);
      filament.leaveOver(left.dryMassG(), left.lagH());
    }
  }

  void spend(double hours, MoistAir air) {
    double humidity = air.relativeHumidityPercent() / 100;
    filament.advance(hours, humidity, air.temperatureC());
    if (board != null) {
      board.advance(hours, humidity, air.temperatureC());
    }
  }

  /** A spool as it was at a time before which it lay in the open only. */
  static FollowedSpool fromTheOpen(Content content, double timeS) {
    FollowedSpool spool = new FollowedSpool(content);
    double time =
        Math.min(timeS, Math.floor(content.whereabouts().get(0).fromS() / STEP_S) * STEP_S);
    while (time < timeS) {
      double end = StorageRun.stepEnd(time, timeS);
      spool.use(end);
      while (spool.stay + 1 < content.whereabouts().size()
          && content.whereabouts().get(spool.stay + 1).fromS() < end) {
        spool.stay++;
      }
      Whereabouts stay = spool.stay < 0 ? null : content.whereabouts().get(spool.stay);
      if (stay != null && !stay.sealed() && stay.in().air() != null) {
        spool.spend((end - time) / STEP_S, stay.in().air().mean(time, end));
      }
      time = end;
    }
    return spool;
  }
}
