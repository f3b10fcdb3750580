package mindspool.server.trouble;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.OptionalDouble;
import mindspool.core.Require;
import mindspool.core.drying.DryingPractice;
import mindspool.core.material.MaterialCatalogue;
import mindspool.server.http.Asks;
import mindspool.server.http.HeavyWork;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Made-up spools to practise drying on. */
@RestController
@RequestMapping("/api/drying-practice")
@Tag(name = "trouble")
class DryingPracticeController {

  private static final long MOST_SEED = 1_000_000_000L;

  private final MaterialCatalogue catalogue;
  private final PracticeResults results;
  private final HeavyWork heavy;

  DryingPracticeController(MaterialCatalogue catalogue, PracticeResults results, HeavyWork heavy) {
    this.catalogue = catalogue;
    this.results = results;
    this.heavy = heavy;
  }

  /**
   * A spool as the learner sees it.
   *
   * @param dialC by how much the dryer's air is off its dial
   * @param balancePercent moisture that it would come to if it lay there for good
   */
  record DryingPracticeView(
      long seed,
      String material,
      boolean cardboardReel,
      double netG,
      int openDays,
      double roomC,
      double roomPercent,
      double ratedMaxC,
      double dialC,
      double dryPercent,
      double limitPercent,
      double balancePercent) {}

  /** A guess of the mean moisture and a plan; 0 hours to print it as it is. */
  record DryingPlanRequest(Double guessPercent, Double setpointC, Double hours) {}

  /** A plan and who made it: who works at the browser where left out. */
  record DryingResultRequest(String person, Double guessPercent, Double setpointC, Double hours) {}

  /** What comes of it. */
  record DryingPracticeReviewView(
      String words,
      boolean good,
      double outerPercent,
      double meanPercent,
      boolean guessIsNear,
      double ceilingC,
      boolean spoils,
      double leftPercent,
      double limitPercent,
      Double neededHours,
      double bestC,
      Double bestHours,
      double kWh,
      double wastedHours,
      double lostG) {}

  @GetMapping("/{seed}")
  @Operation(summary = "A made-up spool that was dried and then lay open")
  DryingPracticeView spool(@PathVariable long seed) {
    DryingPractice it = practice(seed);
    return new DryingPracticeView(
        seed,
        it.material().name(),
        it.reel().isCardboard(),
        it.netG(),
        it.openDays(),
        it.room().temperatureC(),
        it.room().relativeHumidityPercent(),
        it.dryer().ratedMaxC(),
        it.dryer().biasC(),
        it.material().dryTargetPercent(),
        it.material().printLimitPercent(),
        it.balancePercent());
  }

  private DryingPractice practice(long seed) {
    Require.within("seed", seed, 0, MOST_SEED, "");
    return DryingPractice.of(catalogue, seed);
  }

  @Asks
  @PostMapping("/{seed}/review")
  @Operation(summary = "What a guess and a plan come to, and what the program would do")
  DryingPracticeReviewView review(@PathVariable long seed, @RequestBody DryingPlanRequest plan) {
    DryingPractice.Review it = heavy.run(() -> reviewed(seed, plan));
    return new DryingPracticeReviewView(
        it.words(),
        it.isGood(),
        it.outerPercent(),
        it.meanPercent(),
        it.guessIsNear(),
        it.ceilingC(),
        it.spoils(),
        it.leftPercent(),
        it.limitPercent(),
        orNull(it.neededHours()),
        it.bestC(),
        orNull(it.bestHours()),
        it.kWh(),
        it.wastedHours(),
        it.lostG());
  }

  private DryingPractice.Review reviewed(long seed, DryingPlanRequest plan) {
    return practice(seed)
        .review(
            Require.present("guessPercent", plan.guessPercent, "0 to 20 %"),
            Require.present("setpointC", plan.setpointC, "a temperature in °C"),
            Require.present("hours", plan.hours, "0 to 240 h"));
  }

  private static Double orNull(OptionalDouble value) {
    return value.isPresent() ? value.getAsDouble() : null;
  }

  @PostMapping("/{seed}/result")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Keeps how a plan went, for the person who practised; the first one counts")
  void keep(@PathVariable long seed, @RequestBody DryingResultRequest request) {
    DryingPlanRequest plan =
        new DryingPlanRequest(request.guessPercent, request.setpointC, request.hours);
    DryingPractice.Review review = heavy.run(() -> reviewed(seed, plan));
    results.keep(
        request.person,
        new PracticeResults.Came(
            PracticeResult.Kind.DRYING, seed, "", review.isGood(), 0, review.lostG()));
  }
}
