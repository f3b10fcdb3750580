package mindspool.server.photos;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;

/** A photograph of a thing; its pixels are in {@link PhotoImage}. */
@Entity
@Table(name = "photo")
class Photo {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  /** What kind of thing it shows, such as "print". */
  String ofKind;

  long ofId;

  /** What the thing is called, for sentences. */
  String ofName;

  /** Page of the thing. */
  String ofLink;

  int widthPx;
  int heightPx;
  long recordedS;

  /** When it was taken away; null while it is there. */
  Long removedS;

  @Version int version;
}
