package mindspool.server.plan;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A span of a weekday in which somebody is there; minutes of the day. */
@Entity
@Table(name = "attendance_window")
class AttendanceWindow {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  /** 1 Monday to 7 Sunday. */
  int weekday;

  int fromMin;
  int toMin;

  protected AttendanceWindow() {}

  AttendanceWindow(int weekday, int fromMin, int toMin) {
    this.weekday = weekday;
    this.fromMin = fromMin;
    this.toMin = toMin;
  }
}
