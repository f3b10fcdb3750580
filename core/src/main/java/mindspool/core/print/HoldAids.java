package mindspool.core.print;

import mindspool.core.Require;

/**
 * What is added so that a part holds.
 *
 * @param squish how well the first layer is pressed on, 0 to 1
 * @param brimM width of the brim, m
 * @param padDiameterM of round pads under the corners, m
 * @param padLayers how many layers they have
 * @param raftM how far a raft reaches beyond the part, m
 */
public record HoldAids(
    double squish, double brimM, double padDiameterM, int padLayers, double raftM) {

  /** A well-laid first layer and nothing else. */
  public static final HoldAids NONE = new HoldAids(1, 0, 0, 0, 0);

  public HoldAids {
    Require.within("squish", squish, 0.05, 1, "");
    Require.within("brimMm", 1000 * brimM, 0, 100, "mm");
    Require.within("pads.diameterMm", 1000 * padDiameterM, 0, 200, "mm");
    Require.within("pads.layers", padLayers, 0, 50, "");
    Require.within("raftMarginMm", 1000 * raftM, 0, 100, "mm");
  }

  HoldAids pressedOn() {
    return new HoldAids(1, brimM, padDiameterM, padLayers, raftM);
  }

  HoldAids withBrim(double widthM) {
    return new HoldAids(squish, widthM, padDiameterM, padLayers, raftM);
  }

  HoldAids withPads(double diameterM, int layers) {
    return new HoldAids(squish, brimM, diameterM, layers, raftM);
  }

  HoldAids withRaft(double marginM) {
    return new HoldAids(squish, brimM, padDiameterM, padLayers, marginM);
  }
}
