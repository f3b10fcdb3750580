package mindspool.server.upkeep;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;

/** Something besides filament that is used up. */
@Entity
@Table(name = "supply")
class Supply {

  private static final double MONTH_S = 30.4 * 86_400;

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  String name = "";
  String unit = "";

  /** What was there when it was counted. */
  double amount;

  /** What goes away in a month; null where nobody knows. */
  Double perMonth;

  /** Below it, it is to be ordered; null where nobody said. */
  Double least;

  /** Of one unit. */
  Double price;

  String currency;
  long countedS;
  long createdS;
  Long removedS;

  @Version int version;

  /** What should be left at a time, by what goes away in a month. */
  double leftAt(long timeS) {
    double gone = perMonth == null ? 0 : perMonth * Math.max(0, timeS - countedS) / MONTH_S;
    return Math.max(0, amount - gone);
  }

  /** When it is used up; null where nobody knows. */
  Long usedUpS() {
    return perMonth == null || perMonth <= 0
        ? null
        : Long.valueOf(countedS + Math.round(amount / perMonth * MONTH_S));
  }
}
