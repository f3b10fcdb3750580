package mindspool.server.stock;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import mindspool.core.learning.Weighed;
import mindspool.core.material.Material;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.SpoolHistory;
import mindspool.core.moisture.SpoolHistory.MassLeft;
import mindspool.core.moisture.SpoolHistory.Stay;
import mindspool.core.moisture.StartMoisture;
import mindspool.core.stock.Band;
import mindspool.core.stock.Filament;
import mindspool.core.stock.LooseEnd;
import mindspool.core.stock.RemainingFilament;
import mindspool.core.stock.Winding;
import mindspool.server.air.Climates;
import mindspool.server.places.PlaceInfo;

/**
 * A spool with the facts that hold for it, in order of time: what they say of where it lay, how
 * much is left, and the history that core replays.
 */
public record SpoolRecord(Spool spool, Material material, List<SpoolFact> facts) {

  private static final double GRAMS_PER_KG = 1000;

  /** How far a computed use may be off. */
  private static final double USED_UNSURE_SHARE = 0.1;

  public SpoolRecord {
    facts = facts.stream().filter(SpoolFact::holds).sorted(SpoolFact.ORDER).toList();
  }

  /** Tells one set of facts up to a time from another. */
  public long digest(double timeS) {
    long digest = material.waterDigest();
    for (SpoolFact fact : facts) {
      if (fact.atS <= timeS) {
        digest = 31 * digest + fact.contentHash();
      }
    }
    return digest;
  }

  /** Whether the spool is part of the stock; undoing its receipt takes it out. */
  public boolean present() {
    return facts.stream().anyMatch(fact -> fact.kind == SpoolFact.Kind.RECEIVED);
  }

  /** Where it lay at a time. */
  public long placeAt(long timeS) {
    long place = facts.stream().filter(SpoolFact::places).findFirst().orElseThrow().placeId;
    for (SpoolFact fact : facts) {
      if (fact.places() && fact.atS <= timeS) {
        place = fact.placeId;
      }
    }
    return place;
  }

  /** When it next leaves where it lay at a time; the end of time where nothing is known of it. */
  long nextMoveS(long timeS) {
    return facts.stream()
        .filter(fact -> fact.places() && fact.atS > timeS)
        .mapToLong(fact -> fact.atS)
        .min()
        .orElse(Long.MAX_VALUE);
  }

  public Optional<Long> openedS() {
    if (spool.arrival == StartMoisture.Arrival.OPEN) {
      return Optional.of(spool.arrivedS);
    }
    return facts.stream()
        .filter(fact -> fact.kind == SpoolFact.Kind.OPENED)
        .map(fact -> fact.atS)
        .findFirst();
  }

  public boolean sealedAt(long timeS) {
    return openedS().map(opened -> opened > timeS).orElse(true);
  }

  /** Where its loose end is. */
  public LooseEnd end() {
    LooseEnd end = LooseEnd.SECURED;
    for (SpoolFact fact : facts) {
      if (fact.kind == SpoolFact.Kind.END) {
        LooseEnd.Act act = LooseEnd.Act.valueOf(fact.detail);
        // A fact put in later may contradict what follows; the later one then tells where it is.
        end = end.allowed().contains(act) ? end.after(act) : act.leadsTo();
      } else if (fact.kind == SpoolFact.Kind.EMPTIED) {
        end = LooseEnd.EMPTY;
      }
    }
    return end;
  }

  public boolean isEmpty() {
    return facts.stream().anyMatch(fact -> fact.kind == SpoolFact.Kind.EMPTIED);
  }

  /** Smallest nozzle that it may be printed with, mm; 0 where it is clean. */
  public double smallestNozzleMm() {
    double nozzle = 0;
    for (SpoolFact fact : facts) {
      if (fact.kind == SpoolFact.Kind.DUSTY) {
        nozzle = fact.amount;
      } else if (fact.kind == SpoolFact.Kind.CLEANED) {
        nozzle = 0;
      }
    }
    return nozzle;
  }

  Filament filament() {
    return new Filament(material.densityKgPerM3() / GRAMS_PER_KG, spool.diameterMm);
  }

  /**
   * Filament left by the latest weighing, or the nominal mass where it was never weighed, less what
   * was printed since.
   */
  public RemainingFilament remaining() {
    Band mass = Band.exactly(spool.nominalNetG);
    for (SpoolFact fact : facts) {
      if (fact.kind == SpoolFact.Kind.EMPTIED) {
        mass = Band.exactly(0);
      } else if (fact.grossMassG != null) {
        mass = RemainingFilament.weighed(fact.grossMassG, spool.emptyReelG(), filament()).massG();
      } else if (fact.kind == SpoolFact.Kind.USED) {
        mass = mass.less(fact.amount, USED_UNSURE_SHARE);
      }
    }
    Filament filament = filament();
    return new RemainingFilament(
        mass,
        new Band(
            filament.lengthM(mass.low()),
            filament.lengthM(mass.typical()),
            filament.lengthM(mass.high())));
  }

  /** What was printed since the last weighing, g. */
  public double usedSinceWeighingG() {
    double used = 0;
    for (SpoolFact fact : facts) {
      used =
          fact.grossMassG != null
              ? 0
              : fact.kind == SpoolFact.Kind.USED ? used + fact.amount : used;
    }
    return used;
  }

  /** The winding when the record begins: as weighed then, else as the label says. */
  Winding firstWinding() {
    return winding(arrivedNetG());
  }

  /** Filament on arrival, g: as weighed then, else as the label says. */
  public double arrivedNetG() {
    return facts.stream()
        .filter(fact -> fact.grossMassG != null && fact.atS <= spool.arrivedS)
        .map(fact -> net(fact.grossMassG))
        .findFirst()
        .orElse(spool.nominalNetG);
  }

  /** The last weighing not after a time. */
  Optional<SpoolFact> lastWeighedBefore(long timeS) {
    return facts.stream()
        .filter(fact -> fact.grossMassG != null && fact.atS <= timeS)
        .reduce((before, after) -> after);
  }

  /** Its weighings as core holds them against the model; the emptied reel is none of them. */
  public List<Weighed> weighings() {
    return facts.stream()
        .filter(fact -> fact.grossMassG != null && fact.kind != SpoolFact.Kind.EMPTIED)
        .map(
            fact ->
                new Weighed(
                    fact.atS,
                    fact.grossMassG,
                    fact.scaleStepG == null ? stepByDigits(fact.grossMassG) : fact.scaleStepG,
                    fact.nothingUsed))
        .toList();
  }

  /** The last weighings between which nothing was used, in order of time. */
  public List<Weighed> lastRow() {
    List<Weighed> row = new ArrayList<>();
    for (Weighed weighed : weighings()) {
      if (!weighed.nothingUsedBefore()) {
        row.clear();
      }
      row.add(weighed);
    }
    return row;
  }

  /** A mass in whole grams comes from a scale of 1 g, one with a tenth from one of 0.1 g. */
  private static double stepByDigits(double massG) {
    for (double step : new double[] {1, 0.1}) {
      if (Math.abs(massG / step - Math.rint(massG / step)) < 1e-6) {
        return step;
      }
    }
    return 0.01;
  }

  /** From a time on, so much filament is left. */
  record NetLeft(long fromS, double netG) {}

  /** Filament left by each weighing and each print after the arrival. */
  List<NetLeft> massesLeft() {
    List<NetLeft> left = new ArrayList<>();
    double net = arrivedNetG();
    for (SpoolFact fact : facts) {
      boolean weighed =
          fact.grossMassG != null && fact.kind != SpoolFact.Kind.EMPTIED && !fact.nothingUsed;
      if (fact.atS <= spool.arrivedS || !weighed && fact.kind != SpoolFact.Kind.USED) {
        continue;
      }
      net = weighed ? net(fact.grossMassG) : Math.max(1, net - fact.amount);
      left.add(new NetLeft(fact.atS, net));
    }
    return left;
  }

  public Winding winding(double netG) {
    return Winding.withinRim(
        spool.hubRadiusMm / GRAMS_PER_KG,
        spool.rimRadiusMm / GRAMS_PER_KG,
        spool.widthMm / GRAMS_PER_KG,
        netG / GRAMS_PER_KG,
        spool.diameterMm / GRAMS_PER_KG,
        material.densityKgPerM3());
  }

  private double net(double grossG) {
    return Math.max(1, grossG - spool.emptyReelG().typical());
  }

  /** A stay with its place, for the ribbon. */
  public record PlacedStay(long placeId, long fromS, boolean sealed) {}

  /**
   * Where it lay, each stay until the next; opening a bag begins a new one. Of two that begin in
   * the same second the later one counts.
   */
  public List<PlacedStay> stays() {
    List<PlacedStay> stays = new ArrayList<>();
    long opened = openedS().orElse(Long.MAX_VALUE);
    long place = -1;
    for (SpoolFact fact : facts) {
      boolean opens = fact.kind == SpoolFact.Kind.OPENED;
      if (!fact.places() && !opens) {
        continue;
      }
      if (fact.places()) {
        place = fact.placeId;
      }
      if (!stays.isEmpty() && stays.get(stays.size() - 1).fromS == fact.atS) {
        stays.remove(stays.size() - 1);
      }
      stays.add(new PlacedStay(place, fact.atS, !opens && fact.atS < opened));
    }
    return stays;
  }

  /**
   * The history up to now and what is expected after it.
   *
   * @param untilS end of the outlook
   */
  public SpoolHistory history(Climates climates, long nowS, double untilS) {
    List<Stay> stays = new ArrayList<>();
    for (PlacedStay stay : stays()) {
      PlaceInfo place = climates.place(stay.placeId);
      stays.add(
          new Stay(
              stay.fromS,
              climates.climate(place.id()).series(),
              stay.sealed ? AirContact.SEALED : place.contact()));
    }
    PlaceInfo last = climates.place(placeAt(nowS));
    stays.add(
        new Stay(
            nowS,
            climates.outlook(last.id(), nowS, untilS),
            sealedAt(nowS) ? AirContact.SEALED : last.contact()));
    List<MassLeft> masses =
        massesLeft().stream()
            .map(left -> new MassLeft(left.fromS, left.netG / GRAMS_PER_KG))
            .toList();
    return new SpoolHistory(
        spool.arrivedS,
        new StartMoisture(spool.startHumidityPercent, spool.startUncertaintyPercent),
        firstWinding(),
        stays,
        masses);
  }

  /** Hours up to now, outside its bag, for which there is no climate record. */
  public double unrecordedHours(Climates climates, long nowS) {
    List<PlacedStay> stays = stays();
    double hours = 0;
    for (int i = 0; i < stays.size(); i++) {
      PlacedStay stay = stays.get(i);
      double end = i + 1 < stays.size() ? stays.get(i + 1).fromS : nowS;
      if (!stay.sealed) {
        hours += climates.climate(stay.placeId).unrecordedHours(stay.fromS, end);
      }
    }
    return hours;
  }
}
