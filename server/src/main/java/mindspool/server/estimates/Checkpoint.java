package mindspool.server.estimates;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import mindspool.core.moisture.SpoolState;
import mindspool.server.estimates.SpoolEstimate.PastPoint;

/**
 * A replay up to some moment, to go on from instead of from the arrival.
 *
 * @param timeS a moment at which a replay begins its steps afresh
 * @param state water by depth then; never changed
 * @param past moisture up to then, thinned
 */
record Checkpoint(double timeS, SpoolState state, List<PastPoint> past) {

  byte[] toBytes() {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (DataOutputStream out = new DataOutputStream(bytes)) {
      out.writeDouble(timeS);
      state.write(out);
      out.writeInt(past.size());
      for (PastPoint point : past) {
        out.writeDouble(point.timeS());
        out.writeFloat(point.outerPercent());
        out.writeFloat(point.meanPercent());
        out.writeFloat(point.corePercent());
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return bytes.toByteArray();
  }

  static Checkpoint of(byte[] bytes) {
    try (DataInputStream in = new DataInputStream(new ByteArrayInputStream(bytes))) {
      double time = in.readDouble();
      SpoolState state = SpoolState.read(in);
      int points = in.readInt();
      List<PastPoint> past = new ArrayList<>(points);
      for (int i = 0; i < points; i++) {
        past.add(new PastPoint(in.readDouble(), in.readFloat(), in.readFloat(), in.readFloat()));
      }
      return new Checkpoint(time, state, past);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
