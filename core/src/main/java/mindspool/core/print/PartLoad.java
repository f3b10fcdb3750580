package mindspool.core.print;

/** What a part must bear, as a share of what is usually asked of its layers; judgement. */
public enum PartLoad {
  DECORATION("nothing: it is looked at", 0.5),
  HANDLED("being handled", 1),
  ALONG("a load along its layers", 0.8),
  ACROSS("a load that pulls its layers apart", 1.2);

  private final String title;
  private final double share;

  PartLoad(String title, double share) {
    this.title = title;
    this.share = share;
  }

  public String title() {
    return title;
  }

  double share() {
    return share;
  }
}
