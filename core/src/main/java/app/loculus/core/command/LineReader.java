package app.loculus.core.command;

import app.loculus.core.edit.hand.Sending;
import app.loculus.core.patch.Address;
import app.loculus.core.play.Press;
import app.loculus.core.problem.Place;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Profiles;
import app.loculus.core.selection.Pattern;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Quoted;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import org.antlr.v4.runtime.CharStreams;
import org.antlr.v4.runtime.CommonToken;
import org.antlr.v4.runtime.CommonTokenStream;
import org.antlr.v4.runtime.ListTokenSource;
import org.antlr.v4.runtime.ParserRuleContext;
import org.antlr.v4.runtime.TokenSource;

/** Reads typed lines. Safe to share between threads. */
public final class LineReader {

    private static final int LONGEST = 40_000;

    /** Of a line in the history, in characters. */
    private static final int LONGEST_DEED = 100;

    /** Each lies within others, and reading goes as deep as they do. */
    private static final int MOST_NESTED = 200;

    private static final Set<Integer> NESTING =
            Set.of(LineLexer.AND, LineLexer.OR, LineLexer.NOT, LineLexer.OPEN, LineLexer.BOTH);

    private final Clauses clauses;

    /** @param library profiles that may be patched beside those the show has already; asked for every time */
    public LineReader(Supplier<Profiles> library) {
        this.clauses = new Clauses(library);
    }

    public LineReader(Profiles library) {
        this(() -> library);
    }

    /**
     * Reads one line. What it refers to is looked up when the edit is applied.
     *
     * @throws Refusal with the place in the text, when the grammar does not accept it
     */
    public Command read(String text) {
        if (text.length() > LONGEST) {
            throw Refusal.of(
                    "line.long",
                    "line",
                    "A line has at most " + LONGEST + " characters; this one has " + text.length() + ".");
        }
        String plain = withoutComment(text);
        List<CommonToken> tokens = OtherWords.tokens(plain);
        if (tokens.stream().anyMatch(OtherWords::noAttribute)) {
            // It would be read as an attribute that nobody has.
            Optional<List<CommonToken>> meant = PlainMeaning.of(tokens);
            if (meant.isPresent()) {
                return read(meant.get());
            }
        }
        LineParser.LineContext line;
        try {
            line = parser(plain).line();
        } catch (Refusal notAsItStands) {
            return read(PlainMeaning.of(tokens).orElseThrow(() -> notAsItStands));
        }
        return read(line, "");
    }

    private Command read(List<CommonToken> meant) {
        return read(parser(new ListTokenSource(meant)).line(), "Read as “" + PlainMeaning.words(meant) + "”");
    }

    /** @param how it was read, where that is not as it stands */
    private Command read(LineParser.LineContext line, String how) {
        if (line.command() == null) {
            return new Command.Nothing();
        }
        LineParser.CommandContext command = line.command();
        if (command.undo() != null) {
            return new Command.Undo(times(command.undo().integer()));
        }
        if (command.redo() != null) {
            return new Command.Redo(times(command.redo().integer()));
        }
        if (command.saveVersion() != null) {
            return new Command.SaveVersion(Terms.text(command.saveVersion().text()));
        }
        if (command.restoreVersion() != null) {
            return new Command.RestoreVersion(
                    Terms.text(command.restoreVersion().text()));
        }
        if (command.play() != null) {
            return new Command.Play(show -> pressed(command.play(), show));
        }
        if (command.send() != null) {
            return new Command.Send(show -> inPlace(command.send(), () -> sending(command.send(), show)));
        }
        ShowEdit edit = command.choose() == null ? edit(command) : called(line, edit(command));
        return new Command.Edit(
                how.isEmpty()
                        ? edit
                        : draft -> {
                            edit.on(draft);
                            draft.say(how);
                        });
    }

    /** What is selected and set is called by the line itself: what it does is told unit by unit. */
    private static ShowEdit called(LineParser.LineContext line, ShowEdit edit) {
        String text = LineWords.of(line.command()).strip();
        String deed = text.length() > LONGEST_DEED ? text.substring(0, LONGEST_DEED) + "…" : text;
        return draft -> {
            edit.on(draft);
            draft.call(deed);
        };
    }

    private static Sending.Asked sending(LineParser.SendContext c, Show show) {
        Sending sending = c.text() != null
                ? Sending.of(show, Terms.text(c.text()))
                : Sending.of(show, PaletteClauses.palette(show, c.kind(), c.paletteRef()));
        String what = c.text() != null
                ? Quoted.of(Terms.text(c.text()))
                : LineWords.of(c.kind()).strip() + LineWords.of(c.paletteRef());
        return new Sending.Asked(sending, "send " + what, c.NOW() != null);
    }

    private static Press pressed(LineParser.PlayContext play, Show show) {
        return inPlace(play, () -> play.accept(new Presses(show)));
    }

    private static <T> T inPlace(ParserRuleContext clause, Supplier<T> doing) {
        try {
            return doing.get();
        } catch (Refusal refusal) {
            throw new Refusal(
                    refusal.problems().stream().map(p -> placed(p, clause)).toList());
        }
    }

    /**
     * Reads one entry of paper read aloud: {@code 14 207} or {@code 16 3.1}.
     *
     * @param universe the universe that was read last; a slot alone lies in it
     * @throws Refusal with the place in the text
     */
    public ReadAloud readAloud(String text, int universe) {
        LineParser.AloudContext aloud = parser(text).aloud();
        Address address = aloud.address().INT() != null
                ? new Address(universe, Terms.integer(aloud.address().getText()))
                : Terms.address(aloud.address());
        return new ReadAloud(Terms.integer(aloud.integer()), address);
    }

    /**
     * Reads how lights are asked for: {@code type "Wash" & position "Bridge 1" every 2}.
     *
     * @throws Refusal with the place in the text
     */
    public AskedFor readAskedFor(String text) {
        LineParser.AskedContext asked = parser(text).asked();
        List<Pattern> patterns =
                asked.pattern().stream().map(p -> p.accept(new Patterns())).toList();
        return new AskedFor(draft -> new Choices(draft).visit(asked.selection()), patterns);
    }

    /** Reads one pattern: {@code every 2 from 3}. @throws Refusal with the place in the text */
    public Pattern readPattern(String text) {
        return parser(text).laid().pattern().accept(new Patterns());
    }

    /** Reads values alone: {@code at 50 zoom at 12 deg}; who takes them is selected. @throws Refusal with the place */
    public ShowEdit readValues(String text) {
        LineParser.ValuesContext values = parser(text).values();
        return new Together(values.value().stream()
                .flatMap(v -> clauses.edits(v).stream().map(edit -> placed(edit, v)))
                .toList());
    }

    private static String withoutComment(String text) {
        boolean quoted = false;
        for (int i = 0; i < text.length(); i++) {
            quoted ^= text.charAt(i) == '"';
            if (text.charAt(i) == '#' && !quoted) {
                return text.substring(0, i);
            }
        }
        return text;
    }

    private static LineParser parser(String text) {
        LineLexer lexer = new LineLexer(CharStreams.fromString(text));
        lexer.removeErrorListeners();
        return parser(lexer);
    }

    private static LineParser parser(TokenSource source) {
        CommonTokenStream tokens = new CommonTokenStream(source);
        LineParser parser = new LineParser(tokens);
        tokens.fill();
        long nested = tokens.getTokens().stream()
                .filter(t -> NESTING.contains(t.getType()))
                .count();
        if (nested > MOST_NESTED) {
            throw Refusal.of(
                    "line.deep",
                    "line",
                    "A line has at most " + MOST_NESTED + " of “and”, “or”, “not” and “(”; this one has " + nested
                            + ".",
                    WayOut.advice("Record part of it as a group, and name that."));
        }
        parser.removeErrorListeners();
        parser.addErrorListener(new Spelling());
        return parser;
    }

    private static int times(LineParser.IntegerContext integer) {
        return integer == null ? 1 : Terms.integer(integer);
    }

    private ShowEdit edit(LineParser.CommandContext command) {
        ParserRuleContext clause = (ParserRuleContext) command.getChild(0);
        return new Together(
                clauses.edits(clause).stream().map(edit -> placed(edit, clause)).toList());
    }

    /** Refusals of the edit get the place of the words they are about. */
    private static ShowEdit placed(ShowEdit edit, ParserRuleContext clause) {
        return draft -> {
            try {
                edit.on(draft);
            } catch (Refusal refusal) {
                throw new Refusal(
                        refusal.problems().stream().map(p -> placed(p, clause)).toList());
            }
        };
    }

    private static Problem placed(Problem problem, ParserRuleContext clause) {
        if (problem.place().inText()) {
            return problem;
        }
        ParserRuleContext at = Subjects.find(clause, problem.place().subject()).orElse(clause);
        return problem.at(new Place(problem.place().subject(), LineWords.from(at), LineWords.to(at) + 1));
    }

    /** Several lines as one edit, all or nothing, with the failing line named. */
    public ShowEdit readAll(List<String> lines) {
        return draft -> {
            for (int i = 0; i < lines.size(); i++) {
                try {
                    read(lines.get(i)).by(new OneOfMany(draft));
                } catch (Refusal refusal) {
                    int number = i + 1;
                    throw new Refusal(refusal.problems().stream()
                            .map(p -> inLine(p, number))
                            .toList());
                }
            }
            draft.call("");
        };
    }

    /** Among several lines only edits can stand. */
    private record OneOfMany(Draft draft) implements Command.Doer<Void> {
        @Override
        public Void edit(ShowEdit edit) {
            edit.on(draft);
            return null;
        }

        @Override
        public Void undo(int times) {
            throw alone("undo and redo stand");
        }

        @Override
        public Void redo(int times) {
            throw alone("undo and redo stand");
        }

        @Override
        public Void saveVersion(String name) {
            throw alone("saving a version stands");
        }

        @Override
        public Void restoreVersion(String name) {
            throw alone("restoring a version stands");
        }

        @Override
        public Void play(Function<Show, Press> press) {
            throw alone("playing stands");
        }

        @Override
        public Void send(Function<Show, Sending.Asked> asked) {
            throw alone("sending a command stands");
        }

        @Override
        public Void nothing() {
            return null;
        }

        private static Refusal alone(String what) {
            return Refusal.of("line.history", "line", what + " alone.");
        }
    }

    private static Problem inLine(Problem p, int number) {
        return new Problem(p.code(), p.severity(), p.place(), "Line " + number + ": " + p.words(), p.waysOut());
    }
}
