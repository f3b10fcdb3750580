package mindspool.core.stock;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import mindspool.core.InvalidValueException;

/**
 * Where a spool's loose end is. It has three legal places: hooked into the reel, in a hand, in a
 * printer. Anything else is a tangle in the making; a tangle is always a crossing made while the
 * end was free. Common practice.
 */
public enum LooseEnd {
  SECURED("hooked in"),
  IN_HAND("in the hand"),
  LOADED("in a printer"),
  SUSPECT("was loose: check for a crossing"),
  TANGLE("tangled"),
  RUN_OUT("run out"),
  EMPTY("empty reel");

  private final String title;

  LooseEnd(String title) {
    this.title = title;
  }

  public String title() {
    return title;
  }

  /** What is done with the end. */
  public enum Act {
    TAKE("take the end in the hand", IN_HAND, SECURED),
    SECURE("hook the end in", SECURED, IN_HAND),
    LOAD("load it", LOADED, SECURED, IN_HAND),
    UNLOAD("unload; keep the end in the hand", IN_HAND, LOADED),
    DROP("the end slipped or the clip is gone", SUSPECT, SECURED, IN_HAND),
    PULL_TEST_PASSED("two turns came off evenly", IN_HAND, SUSPECT),
    CROSSING_SEEN("a turn goes under its neighbour", TANGLE, SUSPECT, IN_HAND, SECURED),
    STUCK("the reel jerks or stopped feeding", TANGLE, LOADED),
    UNTANGLED("the crossing is lifted off", IN_HAND, TANGLE),
    REWOUND("all rewound onto another reel", IN_HAND, TANGLE, SUSPECT),
    RAN_OUT("the tail has passed", RUN_OUT, LOADED);

    private final String title;
    private final LooseEnd leadsTo;
    private final List<LooseEnd> from;

    Act(String title, LooseEnd leadsTo, LooseEnd... from) {
      this.title = title;
      this.leadsTo = leadsTo;
      this.from = List.of(from);
    }

    public String title() {
      return title;
    }

    /** Where the end is afterwards. */
    public LooseEnd leadsTo() {
      return leadsTo;
    }
  }

  /** The acts that are allowed now. */
  public List<Act> allowed() {
    return Arrays.stream(Act.values()).filter(act -> act.from.contains(this)).toList();
  }

  /** Where the end is after an act; an act that is not allowed now is refused. */
  public LooseEnd after(Act act) {
    if (!act.from.contains(this)) {
      String possible =
          allowed().isEmpty()
              ? "nothing more"
              : allowed().stream().map(Act::name).collect(Collectors.joining(", "));
      throw new InvalidValueException(
          "act", act.name() + ", while the end is " + title, possible, "Record what came first.");
    }
    return act.leadsTo;
  }

  /** Whether the reel may be put away: only with its end hooked in, or without any. */
  public boolean mayBeStored() {
    return this == SECURED || this == EMPTY || this == RUN_OUT;
  }

  /** Whether a job longer than an hour should wait until the reel has been checked. */
  public boolean holdsLongJobs() {
    return this == SUSPECT || this == TANGLE;
  }
}
