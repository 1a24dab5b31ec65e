package app.loculus.app;

import java.io.BufferedReader;
import java.io.File;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * What a process takes at one moment, as the system and the virtual machine tell it from outside.
 *
 * @param heap what is in use after a collection, in octets
 * @param resident in octets
 * @param disk what its folder takes without the copies, in octets
 * @param handles open files and sockets
 */
record Vitals(long heap, long resident, long disk, int threads, int handles) {

    /** How often the heap is looked at: answers that are being made live for a moment. */
    private static final int LOOKS = 3;

    private static final Pattern TOTAL = Pattern.compile("Total\\s+\\d+\\s+(\\d+)");
    private static final String JCMD =
            Path.of(System.getProperty("java.home"), "bin", "jcmd").toString();

    static Vitals of(long pid, Path data) throws IOException, InterruptedException {
        long heap = Long.MAX_VALUE;
        for (int i = 0; i < LOOKS; i++) {
            heap = Math.min(heap, living(pid));
        }
        String status = Files.readString(Path.of("/proc/" + pid + "/status"));
        File[] open = new File("/proc/" + pid + "/fd").listFiles();
        return new Vitals(
                heap,
                field(status, "VmRSS") << 10,
                disk(data),
                (int) field(status, "Threads"),
                open == null ? 0 : open.length);
    }

    /** What lives, counted after a collection while everything else stands still. */
    private static long living(long pid) throws IOException, InterruptedException {
        Matcher total = TOTAL.matcher(run(JCMD, String.valueOf(pid), "GC.class_histogram"));
        if (!total.find()) {
            throw new IOException("No total among the classes");
        }
        return Long.parseLong(total.group(1));
    }

    private static long field(String status, String name) {
        return status.lines()
                .filter(l -> l.startsWith(name + ":"))
                .mapToLong(l -> Long.parseLong(l.replaceAll("\\D+", "")))
                .findFirst()
                .orElseThrow();
    }

    private static long disk(Path data) throws IOException {
        try (Stream<Path> files = Files.list(data)) {
            return files.filter(Files::isRegularFile)
                    .filter(f -> !f.toString().endsWith(".log"))
                    .mapToLong(f -> f.toFile().length())
                    .sum();
        }
    }

    private static String run(String... command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        StringBuilder out = new StringBuilder();
        try (BufferedReader lines =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            lines.lines().forEach(l -> out.append(l).append('\n'));
        }
        if (process.waitFor() != 0) {
            throw new IOException(Arrays.toString(command) + ": " + out);
        }
        return out.toString();
    }

    String words() {
        return String.format(
                "heap %d MB, resident %d MB, disk %.1f MB, %d threads, %d handles",
                heap >> 20, resident >> 20, disk / 1048576.0, threads, handles);
    }
}
