package mindspool.server.upkeep;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import mindspool.core.Text;
import mindspool.server.today.AgendaSource;
import mindspool.server.upkeep.Upkeep.Item;
import mindspool.server.upkeep.Upkeep.Thing;
import org.springframework.stereotype.Component;

/**
 * Upkeep of each machine, plate and the workshop: all that is due now together, and what is to come
 * together by its day. So what is due now is one line however far one looks ahead, and stays put
 * off when it was put off.
 */
@Component
class UpkeepAgenda implements AgendaSource {

  /** So many are named; others are counted. */
  private static final int NAMED = 3;

  private static final long DAY_S = 86_400;

  private final Upkeep upkeep;

  UpkeepAgenda(Upkeep upkeep) {
    this.upkeep = upkeep;
  }

  @Override
  public List<Line> lines(long nowS, long untilS) {
    Map<Together, List<Item>> due = new LinkedHashMap<>();
    for (Item item : upkeep.items(nowS)) {
      if (item.due().dueS().isPresent() && item.due().dueS().getAsLong() <= untilS) {
        due.computeIfAbsent(Together.of(item, nowS), together -> new ArrayList<>()).add(item);
      }
    }
    List<Line> lines = new ArrayList<>();
    due.forEach((together, items) -> lines.add(line(together.thing, items)));
    return lines;
  }

  /** What is done together; {@code day} 0 for now. */
  private record Together(Thing thing, long day) {

    static Together of(Item item, long nowS) {
      long dueS = item.due().dueS().getAsLong();
      return new Together(item.thing(), dueS <= nowS ? 0 : dueS / DAY_S);
    }
  }

  private static Line line(Thing thing, List<Item> items) {
    // Another task that comes to it, or one that was done, makes it another line.
    String tasks =
        items.stream()
            .map(item -> item.task().id() + item.sinceS())
            .sorted()
            .collect(Collectors.joining());
    double minutes = items.stream().mapToDouble(item -> item.task().minutes()).sum();
    long atS =
        items.stream()
            .map(item -> item.due().dueS().getAsLong())
            .min(Comparator.naturalOrder())
            .orElseThrow();
    Item first = items.get(0);
    return new Line(
        "upkeep-" + thing.key() + "-" + Integer.toHexString(tasks.hashCode()),
        atS,
        Doer.PERSON,
        "Upkeep of " + thing.name() + ": " + titles(items),
        String.format(
            Locale.ROOT,
            "%s: %s. %s min in all.",
            first.task().title(),
            Upkeep.words(first.due().binding()),
            Math.round(minutes)),
        first.task().sign().isEmpty()
            ? "Wear goes on unseen."
            : "Seen too late as: " + first.task().sign() + ".",
        "/upkeep?of=" + thing.key(),
        Deed.upkeep());
  }

  private static String titles(List<Item> items) {
    String named =
        items.stream()
            .limit(NAMED)
            .map(item -> Text.lowerFirst(item.task().title()))
            .collect(Collectors.joining("; "));
    int more = items.size() - NAMED;
    return more > 0 ? named + "; and " + more + " more" : named;
  }
}
