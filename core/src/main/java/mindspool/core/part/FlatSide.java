package mindspool.core.part;

/**
 * A side that a part can be laid on: a plane with some of its surface in it and the rest of the
 * part on one side of it.
 *
 * @param downX direction out of the side, of length 1, in the file's axes; so for y and z
 * @param areaMm2 of the surface that would lie on the plate
 * @param heightMm of the part when it lies on it
 * @param steepShare of its surface: faces that would look down by more than 45° over nothing
 */
public record FlatSide(
    double downX, double downY, double downZ, double areaMm2, double heightMm, double steepShare) {

  /** Closer directions are one side. */
  static final double SAME_COSINE = Math.cos(Math.toRadians(2));

  /** How the mesh is turned to lie on it. */
  public Placement placement() {
    return Placement.withDown(downX, downY, downZ);
  }

  /** Whether a direction leads out of this side. */
  public boolean isToward(double x, double y, double z) {
    return x * downX + y * downY + z * downZ > SAME_COSINE * Math.sqrt(x * x + y * y + z * z);
  }
}
