package mindspool.core.moisture;

import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import mindspool.core.PhysicalConstants;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.stock.Winding;

/**
 * Water and heat in a winding at one moment: rings of equal mass from the hub outwards, in each the
 * modes of the filament, the water stored, temperature and vapour pressure. Changed only by {@link
 * SpoolMoistureModel}; copy it to keep it.
 */
public final class SpoolState {

  /** However it is shifted, a wrap keeps this share of its water. */
  private static final double LEAST_SHARE = 0.05;

  Winding winding;

  /** Mode contents, kg/kg: ring-major, {@code modes.count()} per ring. */
  double[] modeContent;

  /** Water held by polymer and air per volume of winding, kg/m³. */
  double[] storedKgPerM3;

  double[] temperatureK;
  double[] vapourPressurePa;

  /** Latest rate of change of the polymer's content, 1/s: the lagged source of latent heat. */
  double[] contentRatePerS;

  /** Water taken from the surroundings since the start, kg. */
  double gainedKg;

  /**
   * Air of the last advance and the step that it had come to, so that the next need not feel its
   * way.
   */
  ClimateSeries lastClimate;

  AirContact lastContact;
  double nextStepS;

  private final double[] weights;

  SpoolState(Winding winding, int rings, double[] weights) {
    this.winding = winding;
    this.weights = weights;
    this.modeContent = new double[rings * weights.length];
    this.storedKgPerM3 = new double[rings];
    this.temperatureK = new double[rings];
    this.vapourPressurePa = new double[rings];
    this.contentRatePerS = new double[rings];
  }

  /** An independent copy. */
  public SpoolState copy() {
    SpoolState copy = new SpoolState(winding, storedKgPerM3.length, weights);
    copy.modeContent = modeContent.clone();
    copy.storedKgPerM3 = storedKgPerM3.clone();
    copy.temperatureK = temperatureK.clone();
    copy.vapourPressurePa = vapourPressurePa.clone();
    copy.contentRatePerS = contentRatePerS.clone();
    copy.gainedKg = gainedKg;
    copy.lastClimate = lastClimate;
    copy.lastContact = lastContact;
    copy.nextStepS = nextStepS;
    return copy;
  }

  /**
   * Says that the air goes on into another climate without a jump, so that the steps need not begin
   * afresh.
   */
  public void goOnInto(ClimateSeries climate, AirContact contact) {
    if (lastContact == contact) {
      lastClimate = climate;
    }
  }

  /**
   * The same spool with so many times the water at the same vapour pressures, its uptake as much.
   */
  public SpoolState withContentScaled(double factor) {
    SpoolState scaled = copy();
    for (int i = 0; i < scaled.modeContent.length; i++) {
      scaled.modeContent[i] *= factor;
    }
    for (int i = 0; i < scaled.storedKgPerM3.length; i++) {
      scaled.storedKgPerM3[i] *= factor;
    }
    return scaled;
  }

  /**
   * The same spool with so many times the water, and with it lying deeper or nearer the outside.
   *
   * @param factor on all its water
   * @param coreFactor on the innermost wraps' moisture besides, the mean kept; 1 for no change
   */
  public SpoolState withContentScaled(double factor, double coreFactor) {
    SpoolState scaled = copy();
    int rings = rings();
    double[] byRing = new double[rings];
    double before = 0;
    double after = 0;
    for (int i = 0; i < rings; i++) {
      double fromMiddle = 1 - 2 * (i + 0.5) / rings;
      byRing[i] = Math.max(LEAST_SHARE, 1 + Math.log(coreFactor) * fromMiddle);
      before += storedKgPerM3[i];
      after += storedKgPerM3[i] * byRing[i];
    }
    if (before == 0) {
      return scaled;
    }
    int modes = scaled.modeContent.length / rings;
    for (int i = 0; i < rings; i++) {
      double ring = factor * byRing[i] * before / after;
      scaled.storedKgPerM3[i] *= ring;
      for (int k = 0; k < modes; k++) {
        scaled.modeContent[i * modes + k] *= ring;
      }
    }
    return scaled;
  }

  /** Forgets how long the last step was, so that what follows depends on the water alone. */
  void beginStepsAfresh() {
    lastClimate = null;
    lastContact = null;
  }

  /** Everything that a later {@link #read} needs to go on exactly from here. */
  public void write(DataOutput out) throws IOException {
    out.writeDouble(winding.hubRadiusM());
    out.writeDouble(winding.widthM());
    out.writeDouble(winding.dryMassKg());
    out.writeDouble(winding.voidFraction());
    out.writeDouble(winding.filamentDiameterM());
    out.writeDouble(winding.densityKgPerM3());
    out.writeInt(rings());
    write(out, weights);
    write(out, modeContent);
    write(out, storedKgPerM3);
    write(out, temperatureK);
    write(out, vapourPressurePa);
    write(out, contentRatePerS);
    out.writeDouble(gainedKg);
  }

  /** The state that was written; its steps begin afresh. */
  public static SpoolState read(DataInput in) throws IOException {
    Winding winding =
        new Winding(
            in.readDouble(),
            in.readDouble(),
            in.readDouble(),
            in.readDouble(),
            in.readDouble(),
            in.readDouble());
    int rings = in.readInt();
    SpoolState state = new SpoolState(winding, rings, readArray(in));
    state.modeContent = readArray(in);
    state.storedKgPerM3 = readArray(in);
    state.temperatureK = readArray(in);
    state.vapourPressurePa = readArray(in);
    state.contentRatePerS = readArray(in);
    state.gainedKg = in.readDouble();
    return state;
  }

  private static void write(DataOutput out, double[] values) throws IOException {
    out.writeInt(values.length);
    for (double value : values) {
      out.writeDouble(value);
    }
  }

  private static double[] readArray(DataInput in) throws IOException {
    double[] values = new double[in.readInt()];
    for (int i = 0; i < values.length; i++) {
      values[i] = in.readDouble();
    }
    return values;
  }

  public Winding winding() {
    return winding;
  }

  public int rings() {
    return storedKgPerM3.length;
  }

  /** Mean content of a ring's filament, kg/kg. */
  public double contentFraction(int ring) {
    double sum = 0;
    int at = ring * weights.length;
    for (int n = 0; n < weights.length; n++) {
      sum += weights[n] * modeContent[at + n];
    }
    return sum;
  }

  public MoistureProfile profile() {
    double[] percent = new double[rings()];
    for (int i = 0; i < percent.length; i++) {
      percent[i] = 100 * contentFraction(i);
    }
    return new MoistureProfile(percent);
  }

  /** Temperature of the innermost ring, °C. */
  public double coreTemperatureC() {
    return PhysicalConstants.celsius(temperatureK[0]);
  }

  /** Temperature of the outermost wrap, °C: rings extended by half a ring to their surface. */
  public double outerTemperatureC() {
    int last = temperatureK.length - 1;
    double slope = last > 0 ? temperatureK[last] - temperatureK[last - 1] : 0;
    return PhysicalConstants.celsius(temperatureK[last] + 0.5 * slope);
  }

  /** Water in polymer and in the air between wraps, kg. */
  public double waterKg() {
    double volume =
        winding.dryMassKg() / ((1 - winding.voidFraction()) * winding.densityKgPerM3()) / rings();
    double sum = 0;
    for (double stored : storedKgPerM3) {
      sum += volume * stored;
    }
    return sum;
  }

  /** Water taken from the surroundings since the start (negative when given off), kg. */
  public double waterGainedKg() {
    return gainedKg;
  }

  /**
   * The state after filament has been used: the outermost wraps leave with their water. Rings are
   * cut anew, conserving the water and heat of what stays.
   *
   * @param dryMassLeftKg at most the present mass
   */
  public SpoolState withOuterMassUsed(double dryMassLeftKg) {
    double share = dryMassLeftKg / winding.dryMassKg();
    if (!(share > 0 && share <= 1)) {
      throw new IllegalArgumentException("mass left must be above 0 and not above the present");
    }
    int rings = rings();
    int modes = weights.length;
    SpoolState rest = new SpoolState(winding.withDryMass(dryMassLeftKg), rings, weights);
    for (int j = 0; j < rings; j++) {
      double start = j * share;
      double end = (j + 1) * share;
      for (int i = (int) start; i < Math.min(rings, Math.ceil(end)); i++) {
        double overlap = (Math.min(end, i + 1) - Math.max(start, i)) / share;
        for (int n = 0; n < modes; n++) {
          rest.modeContent[j * modes + n] += overlap * modeContent[i * modes + n];
        }
        rest.storedKgPerM3[j] += overlap * storedKgPerM3[i];
        rest.temperatureK[j] += overlap * temperatureK[i];
        rest.vapourPressurePa[j] += overlap * vapourPressurePa[i];
        rest.contentRatePerS[j] += overlap * contentRatePerS[i];
      }
    }
    rest.gainedKg = gainedKg - (waterKg() - rest.waterKg());
    return rest;
  }
}
