package mindspool.server.plan;

import jakarta.persistence.Entity;
import jakarta.persistence.EntityListeners;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import mindspool.server.http.PersonAtWork;
import mindspool.server.http.Signed;

/** A print that needs dry filament; of a material or a certain spool. */
@Entity
@EntityListeners(PersonAtWork.Signature.class)
@Table(name = "print_job")
class PrintJob implements Signed {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  String name;
  String material;
  String code;
  double grams;
  long startS;
  double hours;
  boolean inDryBox;
  long recordedS;
  String person;
  Long doneS;
  Long undoneS;

  @Version int version;

  boolean isOpen() {
    return doneS == null && undoneS == null;
  }

  @Override
  public void sign(String who) {
    person = who;
  }
}
