package mindspool.server.estimates;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import mindspool.server.air.ClimateChanged;
import mindspool.server.shelf.Spools;
import mindspool.server.support.Api.Answer;
import mindspool.server.support.ServerTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.ApplicationEvent;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.PayloadApplicationEvent;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Primary;
import org.springframework.context.event.GenericApplicationListener;
import org.springframework.core.Ordered;
import org.springframework.core.ResolvableType;

/** The same facts recorded in any order, with anything computed in between, give the same water. */
class ShuffledHistoryTest extends ServerTest {

  private static final Instant NOW = Instant.now().truncatedTo(ChronoUnit.SECONDS);
  private static final int DAYS = 60;

  /** Both spools are looked at in the same second. */
  @TestConfiguration
  static class FrozenClock {
    @Bean
    @Primary
    Clock frozen() {
      return Clock.fixed(NOW, ZoneOffset.UTC);
    }
  }

  @Autowired private Spools spools;
  @Autowired private ConfigurableApplicationContext application;

  private static Instant day(double day) {
    return NOW.minus(Math.round((DAYS - day) * 24 * 60), ChronoUnit.MINUTES);
  }

  /** A room with a box and shelves in it, and one spool; what happens to them is recorded apart. */
  private final class Workshop {
    final String name;
    final long room;
    final long box;
    final List<Long> shelves = new ArrayList<>();
    final String spool;

    Workshop(String name) {
      this.name = name;
      room = place("room", "ROOM", null);
      box = place("box", "GASKET_BOX", room);
      for (int i = 0; i < 4; i++) {
        shelves.add(
            place("shelf " + i, i % 2 == 0 ? "ROOM" : "CLIP_BOX", i % 2 == 0 ? null : room));
      }
      Answer received =
          api.post(
              "/api/spools",
              """
              {"material": "PETG", "colourName": "grey", "colourHex": "#888888",
               "arrival": "SLACK_BAG", "grossMassG": 1215, "emptyReelG": 215, "placeId": %d,
               "arrivedAt": "%s"}
              """
                  .formatted(box, day(0)));
      assertThat(received.status()).as(received.raw().body()).isEqualTo(201);
      spool = received.body().get("code").asString();
    }

    private long place(String what, String kind, Long within) {
      Answer answer =
          api.post(
              "/api/places",
              "{\"name\": \"%s %s\", \"kind\": \"%s\", \"withinId\": %s}"
                  .formatted(name, what, kind, within));
      assertThat(answer.status()).as(answer.raw().body()).isEqualTo(201);
      return answer.body().get("id").asLong();
    }

    private Runnable fact(String path, String json) {
      return () -> {
        Answer answer = api.post(path, json);
        assertThat(answer.status()).as(path + " " + answer.raw().body()).isEqualTo(201);
      };
    }

    private Runnable climate(long place, double day, double celsius, double humidity) {
      return fact(
          "/api/places/" + place + "/typed-climates",
          "{\"temperatureC\": %s, \"relativeHumidityPercent\": %s, \"since\": \"%s\"}"
              .formatted(celsius, humidity, day(day)));
    }

    List<Runnable> facts() {
      String acts = "/api/spools/" + spool;
      List<Runnable> facts = new ArrayList<>();
      facts.add(climate(room, 0, 22, 60));
      facts.add(climate(room, 20.3, 19, 45));
      facts.add(climate(room, 41, 24, 55));
      facts.add(climate(shelves.get(0), 2, 21, 35));
      facts.add(climate(shelves.get(2), 4, 23, 70));
      facts.add(fact(acts + "/openings", "{\"at\": \"%s\"}".formatted(day(3.2))));
      double[] moves = {8.1, 19.4, 33, 52};
      for (int i = 0; i < moves.length; i++) {
        facts.add(
            fact(
                acts + "/moves",
                "{\"placeId\": %d, \"at\": \"%s\"}".formatted(shelves.get(i), day(moves[i]))));
      }
      facts.add(weighing(10, 1100));
      facts.add(weighing(30, 900));
      facts.add(weighing(55, 640));
      String desiccant = "/api/places/" + box + "/desiccant";
      facts.add(
          fact(
              desiccant,
              "{\"kind\": \"silica_gel\", \"massG\": 80, \"at\": \"%s\"}".formatted(day(1))));
      facts.add(
          fact(
              "/api/places/" + box + "/openings",
              "{\"minutes\": 20, \"at\": \"%s\"}".formatted(day(5))));
      return facts;
    }

    private Runnable weighing(double day, double grams) {
      return fact(
          "/api/spools/" + spool + "/weighings",
          "{\"grossMassG\": %s, \"at\": \"%s\"}".formatted(grams, day(day)));
    }

    double[] rings() {
      return spools.current(spool).state().profile().percentByRing();
    }
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3})
  void shuffledArrivalGivesTheSameState(long seed) {
    Workshop inOrder = new Workshop("in order " + seed);
    Workshop shuffled = new Workshop("shuffled " + seed);
    inOrder.facts().forEach(Runnable::run);
    List<Runnable> facts = shuffled.facts();
    Random random = new Random(seed);
    Collections.shuffle(facts, random);
    for (Runnable fact : facts) {
      fact.run();
      if (random.nextBoolean()) {
        // Looking makes an estimate and a checkpoint, which a later fact may have to drop.
        shuffled.rings();
      }
    }
    double[] expected = inOrder.rings();
    double[] actual = shuffled.rings();
    assertThat(remaining(shuffled)).isEqualTo(remaining(inOrder));
    for (int ring = 0; ring < expected.length; ring++) {
      assertThat(actual[ring]).isCloseTo(expected[ring], within(1e-12));
    }
  }

  /**
   * The containers are followed in the background; whoever asks meanwhile waits for the outcome.
   */
  @Test
  void whoAsksWhileABoxIsFollowedGetsNoEarlierState() throws InterruptedException {
    Workshop workshop = new Workshop("held up");
    workshop.facts().forEach(Runnable::run);
    final double[] before = workshop.rings();
    HeldUp held = new HeldUp();
    application.addApplicationListener(held);
    try {
      workshop
          .fact(
              "/api/places/" + workshop.box + "/openings",
              "{\"minutes\": 600, \"at\": \"%s\"}".formatted(day(6)))
          .run();
      assertThat(held.reached.await(30, TimeUnit.SECONDS)).isTrue();
      double[] meanwhile = workshop.rings();
      assertThat(meanwhile).isNotEqualTo(before);
      held.goOn.countDown();
      await(() -> held.done.getCount() == 0);
      assertThat(meanwhile).containsExactly(workshop.rings(), within(1e-12));
    } finally {
      held.goOn.countDown();
      application.removeApplicationListener(held);
    }
  }

  /** Holds up what the background has to say of changed air before anybody hears of it. */
  private static final class HeldUp implements GenericApplicationListener {
    final CountDownLatch reached = new CountDownLatch(1);
    final CountDownLatch goOn = new CountDownLatch(1);
    final CountDownLatch done = new CountDownLatch(1);

    @Override
    public int getOrder() {
      return Ordered.HIGHEST_PRECEDENCE;
    }

    @Override
    public boolean supportsEventType(ResolvableType type) {
      return true;
    }

    @Override
    public void onApplicationEvent(ApplicationEvent event) {
      boolean air =
          event instanceof PayloadApplicationEvent<?> told
              && told.getPayload() instanceof ClimateChanged;
      if (air && Thread.currentThread().getName().equals("containers")) {
        reached.countDown();
        try {
          goOn.await();
        } catch (InterruptedException e) {
          Thread.currentThread().interrupt();
        }
        done.countDown();
      }
    }
  }

  private String remaining(Workshop workshop) {
    return api.get("/api/spools/" + workshop.spool).body().at("/spool/remainingG").toString();
  }
}
