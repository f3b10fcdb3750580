package mindspool.server.upkeep;

import java.util.List;
import mindspool.core.upkeep.UpkeepTask.Subject;
import org.springframework.data.jpa.repository.JpaRepository;

/** Repositories of this station. */
final class UpkeepStore {

  private UpkeepStore() {}

  interface Done extends JpaRepository<DoneUpkeep, Long> {
    List<DoneUpkeep> findByRemovedSIsNullOrderByAtSDescIdDesc();

    List<DoneUpkeep> findBySubjectAndSubjectIdAndRemovedSIsNullOrderByAtSDescIdDesc(
        Subject subject, long subjectId);
  }

  interface Supplies extends JpaRepository<Supply, Long> {
    List<Supply> findByRemovedSIsNullOrderByName();
  }

  interface Tasks extends JpaRepository<OwnTask, Long> {
    List<OwnTask> findByRemovedSIsNullOrderByTitle();
  }
}
