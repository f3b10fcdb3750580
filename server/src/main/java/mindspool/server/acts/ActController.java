package mindspool.server.acts;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import mindspool.core.Require;
import mindspool.server.acts.ActLog.Entry;
import mindspool.server.acts.FactBook.Line;
import mindspool.server.http.MayBeNull;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/acts")
@Tag(name = "acts")
class ActController {

  private static final int USUAL_NUMBER = 50;
  private static final int MOST = 200;

  private final ActLog log;

  ActController(ActLog log) {
    this.log = log;
  }

  /**
   * An act.
   *
   * @param recordedS when it was entered, epoch seconds
   * @param atS when the first of it happened
   * @param undoneS when it was undone; null while it holds
   * @param undonePerson who undid it
   */
  record ActView(
      long id,
      long recordedS,
      long atS,
      @MayBeNull String person,
      Origin origin,
      List<Line> lines,
      Long undoneS,
      @MayBeNull String undonePerson) {

    static ActView of(Entry entry) {
      return new ActView(
          entry.act().id,
          entry.act().recordedS,
          entry.atS(),
          entry.act().person,
          entry.origin(),
          entry.lines(),
          entry.undoing() == null ? null : entry.undoing().recordedS,
          entry.undoing() == null ? null : entry.undoing().person);
    }
  }

  @GetMapping
  @Operation(summary = "What was done, newest first; ask with the last number for what was before")
  List<ActView> latest(
      @RequestParam(required = false) Long before, @RequestParam(required = false) Integer most) {
    int number = (int) Require.within("most", most == null ? USUAL_NUMBER : most, 1, MOST, "acts");
    return log.before(before == null ? Long.MAX_VALUE : before, number).stream()
        .map(ActView::of)
        .toList();
  }

  @GetMapping("/{id}")
  @Operation(summary = "An act with its facts in words")
  ActView one(@PathVariable long id) {
    return ActView.of(log.one(id));
  }

  @PostMapping("/{id}/undo")
  @Operation(summary = "Undoes an act with all its facts; they stay visible")
  ActView undo(@PathVariable long id) {
    return ActView.of(log.undo(id));
  }

  @PostMapping("/{id}/redo")
  @Operation(summary = "Lets an undone act hold again")
  ActView redo(@PathVariable long id) {
    return ActView.of(log.redo(id));
  }
}
