package mindspool.server.http;

/** Something stored that can say who told it. */
public interface Signed {

  /** Notes who told it; never called where nobody said who works. */
  void sign(String person);
}
