package mindspool.server.calibrations;

import java.util.Locale;
import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Kept worksheets as things that can be taken back. */
@Component
class EditableCalibration extends StoredEditable<KeptCalibration> {

  EditableCalibration(KeptCalibration.Store store) {
    super("calibration", KeptCalibration.class, store);
  }

  @Override
  public String title(KeptCalibration kept) {
    return String.format(Locale.ROOT, "%s, %.4g %s", kept.kind.title(), kept.amount, kept.unit);
  }

  @Override
  public String link(KeptCalibration kept) {
    return "/calibrations";
  }
}
