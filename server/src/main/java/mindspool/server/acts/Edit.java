package mindspool.server.acts;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.util.List;
import org.hibernate.Length;

/** Something described was added, changed or removed: how it was before and is after. */
@Entity
@Table(name = "edit")
class Edit extends Fact {

  /** Stored edits. */
  interface Store extends FactStore<Edit> {
    List<Edit> findByKindAndThingIdAndAtSGreaterThanAndUndoneByIsNullOrderByAtSAscIdAsc(
        String kind, long thingId, long sinceS);
  }

  /** What it is, as its {@link Editable} calls it. */
  String kind;

  long thingId;

  /** As JSON; null where it was added. */
  @Column(length = Length.LONG32)
  String beforeState;

  @Column(length = Length.LONG32)
  String afterState;

  protected Edit() {}

  Edit(String kind, long thingId, long atS) {
    super(atS, atS, Origin.HAND);
    this.kind = kind;
    this.thingId = thingId;
  }
}
