package app.loculus.core.command;

import app.loculus.core.profile.Profiles;
import app.loculus.core.show.ShowEdit;
import java.util.List;
import java.util.Objects;
import java.util.function.Supplier;
import org.antlr.v4.runtime.ParserRuleContext;

/** Every room's clauses together: one class a room, asked in turn. */
final class Clauses {

    private final List<RoomClauses> rooms;

    Clauses(Supplier<Profiles> library) {
        TypeWords types = new TypeWords(library);
        rooms = List.of(
                new HandClauses(this),
                new PatchClauses(types),
                new ProfileClauses(types),
                new GroupClauses(),
                new PaletteClauses(),
                new MarkClauses(),
                new NicheClauses(),
                new LookClauses(),
                new EffectClauses());
    }

    /** The edits of one clause, in order. */
    List<ShowEdit> edits(ParserRuleContext clause) {
        return rooms.stream()
                .map(clause::accept)
                .filter(Objects::nonNull)
                .findFirst()
                .orElseThrow();
    }
}
