package mindspool.bench;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import mindspool.simulators.hardship.ContractFuzz;
import mindspool.simulators.hardship.Ledger;
import mindspool.simulators.hardship.ProgramProcess;
import mindspool.simulators.hardship.ProgramProcess.Program;

/**
 * What the tests do a little of, as much as is wanted, on a program that is started for it: {@code
 * kills N} kills it N times while people work and looks for what was acknowledged; {@code fuzz N
 * [SEED]} sends N requests that no page would send.
 */
final class Mistreatment {

  private static final int WORKERS = 4;
  private static final int SHOWN = 20;
  private static final int MOST_MS = 4_000;

  private Mistreatment() {}

  static void run(String[] args) throws Exception {
    int count = Integer.parseInt(args[1]);
    long seed = args.length > 2 ? Long.parseLong(args[2]) : System.nanoTime();
    Program app = Program.unpacked(Path.of(System.getProperty("mindspool.app")));
    Path data = Files.createTempDirectory("mind-spool-bench");
    try (ProgramProcess program = new ProgramProcess(data.resolve("data"), app)) {
      program.start();
      if (args[0].equals("kills")) {
        kills(program, count, seed);
      } else {
        fuzz(program, count, seed);
      }
    }
  }

  private static void kills(ProgramProcess program, int count, long seed) throws Exception {
    Random random = new Random(seed);
    Ledger ledger = new Ledger(program.httpPort());
    ledger.prepare();
    int lost = 0;
    for (int kill = 1; kill <= count; kill++) {
      ExecutorService people = Executors.newFixedThreadPool(WORKERS);
      for (int i = 0; i < WORKERS; i++) {
        long own = random.nextLong();
        people.execute(() -> ledger.work(own));
      }
      Thread.sleep(50 + random.nextInt(MOST_MS));
      program.kill();
      people.shutdownNow();
      people.awaitTermination(60, TimeUnit.SECONDS);
      program.start();
      List<String> gone = ledger.lost();
      lost = gone.size();
      System.out.printf(
          "kill %d: %d acts acknowledged so far, %d lost%n", kill, ledger.size(), lost);
      gone.stream().limit(SHOWN).forEach(entry -> System.out.println("  " + entry));
    }
    System.out.printf("by kind: %s%n", ledger.acknowledged());
    if (lost > 0) {
      System.exit(1);
    }
  }

  private static void fuzz(ProgramProcess program, int count, long seed) throws Exception {
    Ledger ledger = new Ledger(program.httpPort());
    ledger.prepare();
    ContractFuzz fuzz = new ContractFuzz(program.httpPort(), seed);
    fuzz.run(count);
    System.out.printf(
        "seed %d: %d requests to %d operations; by status %s; %d faults%n",
        seed, count, fuzz.operations(), fuzz.statuses(), fuzz.faults().size());
    fuzz.faults().stream().limit(SHOWN).forEach(System.out::println);
    if (!fuzz.faults().isEmpty()) {
      System.exit(1);
    }
  }
}
