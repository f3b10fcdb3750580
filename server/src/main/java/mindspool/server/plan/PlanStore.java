package mindspool.server.plan;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

/** Repositories of this station. */
final class PlanStore {

  private PlanStore() {}

  interface Jobs extends JpaRepository<PrintJob, Long> {
    List<PrintJob> findByUndoneSIsNullOrderByStartSAscIdAsc();
  }

  interface Windows extends JpaRepository<HandsWindow, Long> {
    List<HandsWindow> findAllByOrderByWeekdayAscFromMinAsc();
  }

  interface Entries extends JpaRepository<PlanEntry, Long> {}
}
