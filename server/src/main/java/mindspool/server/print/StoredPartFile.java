package mindspool.server.print;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import jakarta.persistence.Version;

/** The file of a job's part; its bytes lie in a folder under their hash. */
@Entity
@Table(name = "part_file")
class StoredPartFile {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  long jobId;

  /** The job's name, for sentences. */
  String jobName;

  String name;
  long sizeBytes;

  @Column(name = "sha256")
  String sha256;

  /** What was found in it, as JSON of the answer. */
  @Lob String analysis;

  /** What points down as it is laid, in the file's axes; null as it lies in the file. */
  Double downX;

  Double downY;
  Double downZ;
  long recordedS;

  /** When it was taken away or another came; null while it is the job's. */
  Long removedS;

  @Version int version;
}
