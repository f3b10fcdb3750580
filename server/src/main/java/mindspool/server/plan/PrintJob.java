package mindspool.server.plan;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;

/** A print that needs dry filament; of a material or a certain spool. */
@Entity
@Table(name = "print_job")
class PrintJob {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  String name;
  String material;
  String code;
  double grams;
  long startS;
  double hours;

  /** Whether it may start any time up to its start, which is then only the latest. */
  boolean someTime;

  boolean inDryBox;
  long recordedS;

  /** When it was started; null while it is to come. */
  Long startedS;

  Long doneS;

  /** When it was taken off; null while it is there. */
  Long removedS;

  @Version int version;

  /** Whether it is still to be started. */
  boolean isToCome() {
    return isOpen() && startedS == null;
  }

  boolean isOpen() {
    return doneS == null && removedS == null;
  }
}
