package mindspool.server.http;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Serves the one page for every address of the front end, so that links into it work. */
@Controller
class PageRoutes {

  @GetMapping({
    "/receive",
    "/shelf",
    "/list",
    "/materials",
    "/materials/{name}",
    "/dry",
    "/dry/{code}",
    "/spool/{code}",
    "/place/{id}",
    "/places",
    "/devices",
    "/lots",
    "/cycle/{id}",
    "/dryer/{id}",
    "/plan",
    "/today",
    "/wall"
  })
  String page() {
    return "forward:/index.html";
  }
}
