package mindspool.server.print;

import mindspool.core.print.GripLearning;

/** What a plate's prints taught. */
record LearnedPlateView(int prints, LearnedFactor grip, LearnedFactor hold) {

  /** A factor on what the table says, with its 80 % band. */
  record LearnedFactor(double median, double low, double high) {}

  static LearnedPlateView of(GripLearning learned) {
    return new LearnedPlateView(learned.prints(), factor(learned.grip()), factor(learned.hold()));
  }

  private static LearnedFactor factor(GripLearning.Factor factor) {
    return new LearnedFactor(factor.median(), factor.low(), factor.high());
  }
}
