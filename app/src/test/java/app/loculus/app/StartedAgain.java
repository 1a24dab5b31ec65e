package app.loculus.app;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * Runs beside the packaged application in a process of its own, and starts it as often as it is told. Each line of
 * standard input ends what runs; the flags in it, with tabs between, start it anew. Answered by a line when that is done.
 */
final class StartedAgain {

    private StartedAgain() {}

    public static void main(String[] args) throws IOException {
        PrintStream answers = System.out;
        // What it logs goes where errors go.
        System.setOut(System.err);
        BufferedReader asked = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8));
        ConfigurableApplicationContext running = null;
        for (String flags = asked.readLine(); flags != null; flags = asked.readLine()) {
            if (running != null) {
                running.close();
            }
            running = flags.isEmpty() ? null : started(flags.split("\t"));
            answers.println("done");
        }
        // Whoever asked is gone.
        System.exit(0);
    }

    private static ConfigurableApplicationContext started(String[] flags) {
        SpringApplication application = new SpringApplication(LoculusApplication.class);
        application.setMainApplicationClass(LoculusApplication.class);
        return application.run(flags);
    }
}
