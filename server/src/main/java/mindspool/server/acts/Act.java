package mindspool.server.acts;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

/** One press of a button, or one thing that the program noticed. */
@Entity
@Table(name = "act")
class Act {

  /** Stored acts. */
  interface Store extends JpaRepository<Act, Long> {

    List<Act> findByUndoesIsNullAndIdLessThanOrderByIdDesc(long id, Limit limit);

    List<Act> findByUndoneBy(long act);
  }

  @Id Long id;
  long recordedS;
  String person;

  /** The act that it undoes; null for every other act. */
  Long undoes;

  /** The act that undid it; null while it holds. */
  Long undoneBy;
}
