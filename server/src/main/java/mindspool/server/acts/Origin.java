package mindspool.server.acts;

/** Where a fact comes from. */
public enum Origin {
  /** A person typed it. */
  HAND,
  /** A device sent it. */
  DEVICE,
  /** It was read from a file. */
  FILE,
  /** The program noticed it. */
  PROGRAM,
  /** It belongs to the demonstration. */
  DEMO
}
