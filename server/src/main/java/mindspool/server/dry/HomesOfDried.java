package mindspool.server.dry;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.concurrent.ConcurrentHashMap;
import mindspool.core.climate.Horizon;
import mindspool.core.drying.DryHold;
import mindspool.core.stock.Winding;
import mindspool.server.air.Climates;
import mindspool.server.places.PlaceInfo;
import mindspool.server.shelf.Spools;
import mindspool.server.shelf.Spools.CurrentSpool;
import org.springframework.stereotype.Service;

/** Where dried spools wait: back where they came from, for as long as they print there. */
@Service
public class HomesOfDried {

  /** The outlook changes with every reading; the answer does not by much, s. */
  private static final long KEPT_S = 3600;

  private final Spools spools;
  private final Climates climates;
  private final Map<Question, OptionalDouble> known = new ConcurrentHashMap<>();

  private record Question(String material, Winding winding, long placeId, long hour) {}

  HomesOfDried(Spools spools, Climates climates) {
    this.spools = spools;
    this.climates = climates;
  }

  /**
   * Says where spools go that come out of a dryer.
   *
   * @param outS when
   */
  public String words(Collection<String> codes, long outS) {
    List<String> each = new ArrayList<>();
    for (String code : codes) {
      OptionalLong home = spools.homeOf(code);
      if (home.isPresent()) {
        each.add(words(code, climates.place(home.getAsLong()), outS));
      }
    }
    return String.join(" ", each);
  }

  private String words(String code, PlaceInfo home, long outS) {
    OptionalDouble hours = holds(code, home, outS);
    if (hours.isEmpty()) {
      return "%s came from %s and prints there for two weeks at least."
          .formatted(code, home.name());
    }
    return String.format(
        Locale.ROOT,
        "%s came from %s: open there it prints for %s; in a sealed bag with desiccant for weeks.",
        code,
        home.name(),
        duration(hours.getAsDouble()));
  }

  private OptionalDouble holds(String code, PlaceInfo home, long outS) {
    CurrentSpool spool = spools.current(code);
    if (known.size() > 1000) {
      known.clear();
    }
    return known.computeIfAbsent(
        new Question(spool.material().name(), spool.state().winding(), home.id(), outS / KEPT_S),
        asked ->
            DryHold.onceDried(
                spool.material(),
                spool.state().winding(),
                climates.outlook(home.id(), outS, outS + 3600 * Horizon.HOURS),
                outS,
                Horizon.HOURS));
  }

  private static String duration(double hours) {
    if (hours < 1) {
      return "less than an hour";
    }
    return hours < 48
        ? String.format(Locale.ROOT, "%.0f h", Math.floor(hours))
        : String.format(Locale.ROOT, "%.0f days", Math.floor(hours / 24));
  }
}
