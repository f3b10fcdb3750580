package mindspool.server.plan;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** Repositories of this station. */
final class PlanStore {

  private PlanStore() {}

  interface Jobs extends JpaRepository<PrintJob, Long> {
    List<PrintJob> findByRemovedSIsNullOrderByStartSAscIdAsc();
  }

  interface Windows extends JpaRepository<AttendanceWindow, Long> {
    List<AttendanceWindow> findAllByOrderByWeekdayAscFromMinAsc();

    @Query(value = "select version from attendance_week where id = 1", nativeQuery = true)
    int weekVersion();

    @Modifying
    @Query(
        value = "update attendance_week set version = version + 1 where id = 1",
        nativeQuery = true)
    void raiseWeekVersion();
  }

  interface Entries extends JpaRepository<PlanEntry, Long> {}
}
