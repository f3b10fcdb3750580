package mindspool.server.trouble;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** Since when closed cases teach. */
@Entity
@Table(name = "trouble_learning")
class TroubleLearning {

  static final long ONLY = 1;

  @Id long id = ONLY;
  long sinceS;
}
