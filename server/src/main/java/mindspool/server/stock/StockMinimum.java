package mindspool.server.stock;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** How much of a material in a colour is to be in stock at least. */
@Entity
@Table(name = "stock_minimum")
class StockMinimum {

  /** Stored minimums, also those taken back. */
  interface Store extends JpaRepository<StockMinimum, Long> {
    List<StockMinimum> findByRemovedSIsNullOrderByMaterialAscColourNameAsc();

    Optional<StockMinimum> findByMaterialAndColourNameIgnoreCase(
        String material, String colourName);
  }

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  String material;
  String colourName;
  double minimumG;

  /** When it was taken back; null while it holds. */
  Long removedS;

  @Version int version;

  protected StockMinimum() {}

  StockMinimum(String material, String colourName) {
    this.material = material;
    this.colourName = colourName;
  }
}
