package app.loculus.app;

import java.io.BufferedReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a process was seen to do to the files of one folder, from outside (strace), and what may lie on the disk after a cut
 * of power at any moment of it: what was synced, and of what was not any part, whole or torn by sectors.
 */
final class Traced {

    static final String CALLS = "trace=pwrite64,fsync,fdatasync,ftruncate,unlink,rename,openat";
    private static final int SECTOR = 512;
    private static final Pattern LINE = Pattern.compile("(\\d+) +(\\d+\\.\\d+) (.*)");
    private static final Pattern RESUMED = Pattern.compile("<\\.\\.\\. \\w+ resumed>(.*)");
    private static final Pattern TOOK = Pattern.compile(".*= (-?\\d+).*<(\\d+\\.\\d+)>");

    private enum Sort {
        PUT,
        SYNC,
        CUT,
        GONE,
        MADE,
        NAMES
    }

    /** @param from and to when it was begun and had happened, in seconds */
    private record Step(Sort sort, String file, long at, byte[] octets, String other, double from, double to) {}

    private final List<Step> steps = new ArrayList<>();
    private final Path folder;

    Traced(Path folder) {
        this.folder = folder;
    }

    /** The command that looks on. */
    static List<String> command(Path trace) {
        return List.of(
                "strace",
                "-f",
                "-qq",
                "-y",
                "-ttt",
                "-T",
                "-xx",
                "-s",
                "100000000",
                "-e",
                "signal=none",
                "-e",
                CALLS,
                "-o",
                trace.toString());
    }

    Traced read(Path trace) throws IOException {
        Map<String, String> begun = new HashMap<>();
        Map<String, Double> when = new HashMap<>();
        try (BufferedReader lines = Files.newBufferedReader(trace)) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                Matcher parts = LINE.matcher(line);
                if (!parts.matches()) {
                    continue;
                }
                String thread = parts.group(1);
                double at = Double.parseDouble(parts.group(2));
                String call = parts.group(3);
                if (call.endsWith("<unfinished ...>")) {
                    begun.put(thread, call.substring(0, call.length() - "<unfinished ...>".length()));
                    when.put(thread, at);
                    continue;
                }
                Matcher resumed = RESUMED.matcher(call);
                double from = at;
                if (resumed.matches() && begun.containsKey(thread)) {
                    call = begun.remove(thread) + resumed.group(1);
                    from = when.remove(thread);
                }
                step(call, from);
            }
        }
        // A call that never returned may have happened in part.
        begun.forEach((thread, call) -> step(call + ") = 0 <999999.0>", when.get(thread)));
        steps.sort(Comparator.comparingDouble(Step::from));
        return this;
    }

    private void step(String call, double from) {
        Matcher took = TOOK.matcher(call);
        if (!took.matches() || took.group(1).startsWith("-")) {
            return;
        }
        double to = from + Double.parseDouble(took.group(2));
        String name = call.substring(0, Math.max(0, call.indexOf('(')));
        int path = call.indexOf('<');
        String of = path < 0 ? "" : call.substring(path + 1, Math.max(path + 1, call.indexOf('>', path)));
        of = unhex(of);
        boolean here = of.startsWith(folder + "/");
        String file = here ? of.substring(folder.toString().length() + 1) : "";
        switch (name) {
            case "pwrite64" -> {
                if (here) {
                    int last = call.lastIndexOf('"');
                    String[] rest =
                            call.substring(last + 1, call.lastIndexOf(')')).split(",");
                    steps.add(new Step(
                            Sort.PUT, file, Long.parseLong(rest[rest.length - 1].trim()), octets(call), "", from, to));
                }
            }
            case "fsync", "fdatasync" -> {
                if (here) {
                    steps.add(new Step(Sort.SYNC, file, 0, new byte[0], "", from, to));
                } else if (of.equals(folder.toString())) {
                    steps.add(new Step(Sort.NAMES, "", 0, new byte[0], "", from, to));
                }
            }
            case "ftruncate" -> {
                if (here) {
                    String length = call.substring(call.indexOf(',') + 1, call.lastIndexOf(')'))
                            .trim();
                    steps.add(new Step(Sort.CUT, file, Long.parseLong(length), new byte[0], "", from, to));
                }
            }
            case "unlink" -> {
                String gone = unhex(quoted(call, 0));
                if (gone.startsWith(folder + "/")) {
                    steps.add(new Step(
                            Sort.GONE, gone.substring(folder.toString().length() + 1), 0, new byte[0], "", from, to));
                }
            }
            case "openat" -> {
                String made = unhex(quoted(call, 0));
                if (call.contains("O_CREAT") && made.startsWith(folder + "/")) {
                    steps.add(new Step(
                            Sort.MADE, made.substring(folder.toString().length() + 1), 0, new byte[0], "", from, to));
                }
            }
            default -> {
                // what goes elsewhere
            }
        }
    }

    private static String quoted(String call, int from) {
        int first = call.indexOf('"', from);
        return first < 0 ? "" : call.substring(first + 1, call.indexOf('"', first + 1));
    }

    private static byte[] octets(String call) {
        int first = call.indexOf('"') + 1;
        byte[] octets = new byte[(call.indexOf('"', first) - first) / 4];
        for (int i = 0; i < octets.length; i++) {
            int at = first + 4 * i + 2;
            octets[i] = (byte) (Character.digit(call.charAt(at), 16) << 4 | Character.digit(call.charAt(at + 1), 16));
        }
        return octets;
    }

    private static String unhex(String text) {
        if (!text.startsWith("\\x")) {
            return text;
        }
        StringBuilder plain = new StringBuilder();
        for (int i = 0; i + 3 < text.length(); i += 4) {
            plain.append((char) Integer.parseInt(text, i + 2, i + 4, 16));
        }
        return plain.toString();
    }

    int syncs() {
        return (int) steps.stream().filter(s -> s.sort() == Sort.SYNC).count();
    }

    double begun() {
        return steps.get(0).from();
    }

    double ended() {
        return steps.get(steps.size() - 1).from();
    }

    /** Makes the folder as it may lie after a cut at a time. Copies of the database are left out. */
    void cut(double at, Random random, Path into) throws IOException {
        Map<String, List<Step>> since = new LinkedHashMap<>();
        Map<String, Lying> synced = new LinkedHashMap<>();
        List<String> named = new ArrayList<>();
        List<String> gone = new ArrayList<>();
        for (Step step : steps) {
            if (step.from() > at || step.file().contains("/")) {
                continue;
            }
            boolean done = step.to() <= at;
            String file = step.file();
            switch (step.sort()) {
                case MADE -> {
                    if (!synced.containsKey(file) || gone.remove(file)) {
                        synced.put(file, new Lying());
                        since.put(file, new ArrayList<>());
                    }
                }
                case PUT, CUT ->
                    since.computeIfAbsent(file, f -> new ArrayList<>()).add(step);
                case SYNC -> {
                    if (done) {
                        // Only what had been written when the sync was begun.
                        List<Step> before = new ArrayList<>(since.getOrDefault(file, List.of()));
                        before.removeIf(s -> s.to() > step.from());
                        synced.computeIfAbsent(file, f -> new Lying()).after(before, null);
                        since.getOrDefault(file, new ArrayList<>()).removeIf(s -> s.to() <= step.from());
                    }
                }
                case GONE -> gone.add(file);
                case NAMES -> {
                    if (done) {
                        named.addAll(synced.keySet());
                        gone.forEach(synced::remove);
                        gone.forEach(since::remove);
                        gone.clear();
                    }
                }
                default -> throw new IllegalStateException();
            }
        }
        for (Map.Entry<String, Lying> file : synced.entrySet()) {
            boolean there = gone.contains(file.getKey())
                    ? random.nextBoolean()
                    : named.contains(file.getKey()) || random.nextBoolean();
            if (there && !file.getKey().endsWith(".log")) {
                Lying lying = file.getValue().after(since.getOrDefault(file.getKey(), List.of()), random);
                Files.write(into.resolve(file.getKey()), Arrays.copyOf(lying.octets, lying.length));
            }
        }
    }

    /** A file as it lies, which grows. */
    private static final class Lying {
        private byte[] octets = new byte[0];
        private int length;

        void put(byte[] from, int first, int at, int count) {
            if (at + count > octets.length) {
                octets = Arrays.copyOf(octets, Math.max(at + count, 2 * octets.length));
            }
            System.arraycopy(from, first, octets, at, count);
            length = Math.max(length, at + count);
        }

        void cut(int at) {
            Arrays.fill(octets, Math.min(at, length), length, (byte) 0);
            length = Math.min(length, at);
        }

        /** @param random chooses what has arrived; null when all has */
        Lying after(List<Step> steps, Random random) {
            int sort = random == null ? -1 : random.nextInt(4);
            int missing =
                    sort == 0 ? steps.size() - 1 : sort == 1 && !steps.isEmpty() ? random.nextInt(steps.size()) : -1;
            for (int i = 0; i < steps.size(); i++) {
                Step step = steps.get(i);
                if (i == missing || sort == 2 && random.nextBoolean()) {
                    continue;
                }
                if (step.sort() == Sort.CUT) {
                    cut((int) step.at());
                } else if (sort == 3) {
                    torn(step, random);
                } else {
                    put(step.octets(), 0, (int) step.at(), step.octets().length);
                }
            }
            return this;
        }

        private void torn(Step step, Random random) {
            int next;
            for (int from = 0; from < step.octets().length; from = next) {
                int at = (int) step.at() + from;
                next = Math.min(step.octets().length, from + SECTOR - at % SECTOR);
                if (random.nextInt(3) > 0) {
                    put(step.octets(), from, at, next - from);
                }
            }
        }
    }
}
