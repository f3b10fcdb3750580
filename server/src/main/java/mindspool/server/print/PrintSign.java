package mindspool.server.print;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import mindspool.core.print.GripLearning.Ending;

/** What can be seen of a print in one look, and what it says of the plate. */
enum PrintSign {
  CORNER_UP("corner-up", "a corner came up", Ending.CORNER_LIFTED),
  SHEET_UP("sheet-up", "the plate rose with it", Ending.PLATE_LIFTED),
  CAME_OFF("came-off", "it came off", Ending.CAME_OFF),
  SPLIT("split", "layers split", null),
  STRINGS("strings", "strings", null),
  POPPING("popping", "popping or bubbles", null),
  GAPS("gaps", "gaps, too little melt", null),
  BLOBS("blobs", "blobs or zits", null),
  SHIFT("shift", "layers shifted", null),
  ROUGH("rough", "rough or matt walls", null),
  CLOG("clog", "the nozzle clogged", null),
  RAN_OUT("ran-out", "the filament ran out", null);

  private final String id;
  private final String title;
  private final Ending ending;

  PrintSign(String id, String title, Ending ending) {
    this.id = id;
    this.title = title;
    this.ending = ending;
  }

  String id() {
    return id;
  }

  String title() {
    return title;
  }

  /** What it says of the plate; null where it says nothing. */
  Ending ending() {
    return ending;
  }

  static Optional<PrintSign> ofId(String id) {
    return Arrays.stream(values()).filter(sign -> sign.id.equals(id)).findFirst();
  }

  static String titleOf(String id) {
    return ofId(id).map(PrintSign::title).orElse(id);
  }

  static String ids() {
    return Arrays.stream(values()).map(PrintSign::id).collect(Collectors.joining(", "));
  }

  /** What signs say of the plate; null where they say nothing. */
  static Ending ending(List<String> ids) {
    return ids.stream()
        .flatMap(id -> ofId(id).stream())
        .map(sign -> sign.ending)
        .filter(ending -> ending != null)
        .findFirst()
        .orElse(null);
  }
}
