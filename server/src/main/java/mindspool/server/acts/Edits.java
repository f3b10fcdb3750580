package mindspool.server.acts;

import com.fasterxml.jackson.annotation.JsonAutoDetect.Visibility;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.server.http.NotFoundException;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Keeps how described things were, so that adding, changing and removing them can be undone. */
@Service
public class Edits extends FactBook<Edit> {

  private static final Set<String> NEVER = Set.of("id", "version", "recordedS", "createdS");

  /** As the workshop's clock shows it. */
  private static final DateTimeFormatter LOCAL =
      DateTimeFormatter.ofPattern("EEE d MMM yyyy HH:mm", Locale.ENGLISH)
          .withZone(ZoneId.systemDefault());

  private static final String REMOVED = "removedS";

  private static final JsonMapper FIELDS =
      JsonMapper.builder()
          .changeDefaultVisibility(
              seen ->
                  seen.withFieldVisibility(Visibility.ANY)
                      .withGetterVisibility(Visibility.NONE)
                      .withIsGetterVisibility(Visibility.NONE))
          .build();

  private final Edit.Store store;
  private final Map<String, Editable<?>> byWord = new HashMap<>();
  private final ApplicationEventPublisher events;
  private final Clock clock;

  Edits(
      Edit.Store store,
      List<Editable<?>> editables,
      ApplicationEventPublisher events,
      Clock clock) {
    super(store);
    this.store = store;
    this.events = events;
    this.clock = clock;
    editables.forEach(each -> byWord.put(each.word(), each));
  }

  /** A thing as it is before an edit. */
  public record Before(JsonNode fields) {}

  /** Notes how a thing is, to be given to {@link #changed} once it is another. */
  public <T> Before before(Editable<T> of, T thing) {
    return new Before(fields(of, thing));
  }

  private static <T> ObjectNode fields(Editable<T> of, T thing) {
    // By way of text, as stored ones come: a number is then equal to itself whatever its Java type.
    ObjectNode fields = (ObjectNode) FIELDS.readTree(FIELDS.writeValueAsString(thing));
    fields.remove(NEVER);
    fields.remove(of.ownFields());
    return fields;
  }

  /** Records that a thing was added. */
  public <T> void added(Editable<T> of, long id, T thing) {
    Edit edit = new Edit(of.word(), id, clock.instant().getEpochSecond());
    edit.afterState = fields(of, thing).toString();
    store.save(edit);
    events.publishEvent(new ThingChanged(of.word(), id));
  }

  /** Records that a thing was changed or removed; nothing where it is as it was. */
  public <T> void changed(Editable<T> of, long id, Before before, T thing) {
    ObjectNode after = fields(of, thing);
    if (after.equals(before.fields)) {
      return;
    }
    Edit edit = new Edit(of.word(), id, clock.instant().getEpochSecond());
    edit.beforeState = before.fields.toString();
    edit.afterState = after.toString();
    store.save(edit);
    events.publishEvent(new ThingChanged(of.word(), id));
  }

  /** A change of a thing that holds, in words. */
  public record Changed(long atS, String words) {}

  /**
   * What was changed of a thing from a time on, in the order of time.
   *
   * @param without fields of which nothing is said
   */
  public <T> List<Changed> changes(Editable<T> of, long id, long sinceS, Set<String> without) {
    List<Changed> changes = new ArrayList<>();
    for (Edit edit :
        store.findByKindAndThingIdAndAtSGreaterThanAndUndoneByIsNullOrderByAtSAscIdAsc(
            of.word(), id, sinceS)) {
      if (edit.beforeState == null) {
        continue;
      }
      ObjectNode before = (ObjectNode) FIELDS.readTree(edit.beforeState);
      ObjectNode after = (ObjectNode) FIELDS.readTree(edit.afterState);
      before.remove(without);
      after.remove(without);
      String words = differences(of, before, after);
      if (!words.isEmpty()) {
        changes.add(new Changed(edit.atS, words));
      }
    }
    return changes;
  }

  @Override
  protected Line line(Edit edit) {
    return line(edit, byWord.get(edit.kind));
  }

  private static <T> Line line(Edit edit, Editable<T> of) {
    JsonNode after = FIELDS.readTree(edit.afterState);
    T then = FIELDS.treeToValue(after, of.type());
    String subject = of.word() + " " + of.title(then);
    String link = of.find(edit.thingId).map(of::link).orElse(null);
    if (edit.beforeState == null) {
      return new Line(subject, link, "added");
    }
    JsonNode before = FIELDS.readTree(edit.beforeState);
    if (isRemoved(after) != isRemoved(before)) {
      return new Line(subject, link, isRemoved(after) ? "removed" : "put back");
    }
    return new Line(subject, link, differences(of, before, after));
  }

  private static boolean isRemoved(JsonNode fields) {
    return fields.hasNonNull(REMOVED);
  }

  private static String differences(Editable<?> of, JsonNode before, JsonNode after) {
    return changedFields(before, after).stream()
        .map(field -> difference(of, field, before.path(field), after.path(field)))
        .filter(words -> !words.isEmpty())
        .collect(Collectors.joining(", "));
  }

  private static String difference(Editable<?> of, String field, JsonNode before, JsonNode after) {
    return of.inWords(field, before.asString(""), after.asString(""))
        .orElseGet(() -> words(field) + " " + text(field, before) + " → " + text(field, after));
  }

  private static List<String> changedFields(JsonNode before, JsonNode after) {
    List<String> changed = new ArrayList<>();
    for (String field : after.propertyNames()) {
      if (!after.path(field).equals(before.path(field))) {
        changed.add(field);
      }
    }
    return changed;
  }

  /** The words in a field's name, without its unit. */
  private static String words(String field) {
    return field
        .replaceAll("(C|G|H|K|S|L|W|Mm|Id|Percent|GPerDay)$", "")
        .replaceAll("([A-Z])", " $1")
        .toLowerCase(java.util.Locale.ROOT);
  }

  private static String text(String field, JsonNode value) {
    if (value.isNull() || value.isMissingNode()) {
      return "none";
    }
    if (field.endsWith("S") && value.isIntegralNumber()) {
      return LOCAL.format(Instant.ofEpochSecond(value.asLong()));
    }
    if (value.isNumber()) {
      return Require.readable(value.asDouble());
    }
    return value.isValueNode() ? plain(value.asString()) : value.toString();
  }

  /** Lists and maps are kept as JSON; a person reads them without its marks. */
  private static String plain(String text) {
    if (!text.startsWith("{") && !text.startsWith("[")) {
      return text;
    }
    String words =
        text.replaceAll("[\\[\\]{}\"]", "").replace(",", ", ").replace(":", ": ").strip();
    return words.isEmpty() ? "none" : words;
  }

  @Override
  protected Runnable change(List<Edit> facts, boolean undo) {
    return () -> {
      // Back to before goes from the last edit to the first.
      List<Edit> inOrder = new ArrayList<>(facts);
      if (undo) {
        Collections.reverse(inOrder);
      }
      for (Edit edit : inOrder) {
        restore(edit, byWord.get(edit.kind), undo);
      }
    };
  }

  private <T> void restore(Edit edit, Editable<T> of, boolean undo) {
    T thing =
        of.find(edit.thingId)
            .orElseThrow(() -> new NotFoundException(of.word() + " with number " + edit.thingId));
    if (undo && edit.beforeState == null) {
      of.refuseTakingAway(thing);
    }
    ObjectNode now = fields(of, thing);
    ObjectNode after = (ObjectNode) FIELDS.readTree(edit.afterState);
    ObjectNode before =
        edit.beforeState == null
            ? after.deepCopy().put(REMOVED, clock.instant().getEpochSecond())
            : (ObjectNode) FIELDS.readTree(edit.beforeState);
    JsonNode from = undo ? after : before;
    JsonNode to = undo ? before : after;
    ObjectNode back = FIELDS.createObjectNode();
    for (String field : changedFields(before, after)) {
      boolean other =
          field.equals(REMOVED)
              ? isRemoved(now) != isRemoved(from)
              : !now.path(field).equals(from.path(field));
      if (other) {
        throw new InvalidValueException(
            field,
            text(field, now.path(field)),
            text(field, from.path(field)) + ", as this act left it",
            "The " + of.word() + " was changed since; undo that first, or change it by hand.");
      }
      back.set(field, to.path(field));
    }
    FIELDS.readerForUpdating(thing).readValue(back);
    of.restore(thing);
    events.publishEvent(new ThingChanged(of.word(), edit.thingId));
  }
}
