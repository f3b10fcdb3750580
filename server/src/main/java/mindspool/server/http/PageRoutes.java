package mindspool.server.http;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/**
 * Serves the one page for every address that is neither the API nor a file, so that links into it
 * work and the page itself says where there is nothing.
 */
@Controller
class PageRoutes {

  @GetMapping({"/{station:[a-z-]+}", "/{station:(?!api$|assets$)[a-z-]+}/{*rest}"})
  String page() {
    return "forward:/index.html";
  }
}
