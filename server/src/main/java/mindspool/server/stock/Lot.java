package mindspool.server.stock;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;

/** Spools of one maker, material, colour and batch. */
@Entity
@Table(name = "lot")
public class Lot {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  public Long id;

  String maker;
  String batch;
  String material;
  String colourName;
  Double price;
  String currency;
  Double nozzleLowC;
  Double nozzleHighC;
  Double bedLowC;
  Double bedHighC;
  Double ownNozzleC;
  Double ownFlowPercent;
  Double ownDiameterMm;
  long createdS;

  @Version int version;

  protected Lot() {}

  Lot(String maker, String batch, String material, String colourName, long createdS) {
    this.maker = maker;
    this.batch = batch;
    this.material = material;
    this.colourName = colourName;
    this.createdS = createdS;
  }

  /** Temperatures by the label; by the lot's own calibration where it has one; null for none. */
  public record LabelRange(
      Double nozzleLowC,
      Double nozzleHighC,
      Double bedLowC,
      Double bedHighC,
      Double flowPercent,
      Double diameterMm) {}

  /** What the label says, or the lot's own calibration. */
  public LabelRange labelRange() {
    return new LabelRange(
        ownNozzleC == null ? nozzleLowC : ownNozzleC,
        ownNozzleC == null ? nozzleHighC : ownNozzleC,
        bedLowC,
        bedHighC,
        ownFlowPercent,
        ownDiameterMm);
  }

  /** What it is called. */
  String title() {
    return (maker + " " + batch).strip();
  }

  public String maker() {
    return maker;
  }

  public String batch() {
    return batch;
  }
}
