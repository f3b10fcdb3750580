package mindspool.core.material;

/** What is said of a material in a word. */
public enum Trait {
  EMITS("emits", "gives off when printed"),
  FUMES("fumes", "its fumes: lead off, or air the room"),
  ENCLOSURE("enclosure", "enclosure: none, helps or needed"),
  SUN_RESISTANCE("sunResistance", "stands the sun: poor, fair or good");

  private final String key;
  private final String title;

  Trait(String key, String title) {
    this.key = key;
    this.title = title;
  }

  /** Name in files and over HTTP. */
  public String key() {
    return key;
  }

  /** What it is called. */
  public String title() {
    return title;
  }

  /** A word with where it comes from. */
  public record Word(String word, String source, Sourced.Grade grade) {}
}
