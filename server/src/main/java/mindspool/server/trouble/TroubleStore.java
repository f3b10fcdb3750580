package mindspool.server.trouble;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** Repositories of this station. */
final class TroubleStore {

  private TroubleStore() {}

  interface Troubles extends JpaRepository<StoredTrouble, Long> {
    List<StoredTrouble> findByRemovedSIsNullAndClosedSIsNullOrderByOpenedSDesc();

    List<StoredTrouble> findTop200ByRemovedSIsNullAndClosedSIsNotNullOrderByClosedSDescIdDesc();

    Optional<StoredTrouble> findFirstByRunIdAndRemovedSIsNullAndClosedSIsNullOrderByIdDesc(
        long runId);

    List<StoredTrouble> findByRemovedSIsNullAndClosedSGreaterThan(long sinceS);
  }

  interface Results extends JpaRepository<PracticeResult, Long> {
    List<PracticeResult> findByPersonAndRemovedSIsNull(String person);

    List<PracticeResult> findByRemovedSIsNullOrderByPersonAscDoneSAsc();
  }

  interface Learnings extends JpaRepository<TroubleLearning, Long> {}
}
