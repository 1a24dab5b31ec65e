package app.loculus.app.api.edits;

import app.loculus.core.command.LineReader;
import app.loculus.core.finding.Findings;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.time.LocalDate;
import java.util.List;
import java.util.function.Function;

/** What can be done this way; the grammar of the line is for people and scripts. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
@JsonSubTypes({
    @JsonSubTypes.Type(value = HandEdits.Select.class, name = "select"),
    @JsonSubTypes.Type(value = HandEdits.HoldGroup.class, name = "hold-group"),
    @JsonSubTypes.Type(value = HandEdits.Arrange.class, name = "arrange"),
    @JsonSubTypes.Type(value = HandEdits.Step.class, name = "step"),
    @JsonSubTypes.Type(value = HandEdits.StepSlot.class, name = "step-slot"),
    @JsonSubTypes.Type(value = HandEdits.Highlight.class, name = "highlight"),
    @JsonSubTypes.Type(value = HandEdits.Clear.class, name = "clear"),
    @JsonSubTypes.Type(value = HandEdits.Home.class, name = "home"),
    @JsonSubTypes.Type(value = HandEdits.SetValue.class, name = "set"),
    @JsonSubTypes.Type(value = HandEdits.Nudge.class, name = "nudge"),
    @JsonSubTypes.Type(value = HandEdits.Colour.class, name = "colour"),
    @JsonSubTypes.Type(value = HandEdits.White.class, name = "white"),
    @JsonSubTypes.Type(value = HandEdits.Choose.class, name = "choose"),
    @JsonSubTypes.Type(value = HandEdits.ValuesOf.class, name = "values-of"),
    @JsonSubTypes.Type(value = HandEdits.Recent.class, name = "recent"),
    @JsonSubTypes.Type(value = HandEdits.Invert.class, name = "invert"),
    @JsonSubTypes.Type(value = HandEdits.ShuffleAgain.class, name = "shuffle"),
    @JsonSubTypes.Type(value = HandEdits.Lift.class, name = "lift"),
    @JsonSubTypes.Type(value = HandEdits.Order.class, name = "order"),
    @JsonSubTypes.Type(value = HandEdits.RecordHighlight.class, name = "record-highlight"),
    @JsonSubTypes.Type(value = HandEdits.ForgetHighlight.class, name = "forget-highlight"),
    @JsonSubTypes.Type(value = HandEdits.DimRest.class, name = "dim-rest"),
    @JsonSubTypes.Type(value = GroupEdits.RecordGroup.class, name = "record-group"),
    @JsonSubTypes.Type(value = GroupEdits.RenameGroup.class, name = "rename-group"),
    @JsonSubTypes.Type(value = GroupEdits.MakeRecipe.class, name = "make-recipe"),
    @JsonSubTypes.Type(value = GroupEdits.FreezeGroup.class, name = "freeze-group"),
    @JsonSubTypes.Type(value = GroupEdits.MoveGroup.class, name = "move-group"),
    @JsonSubTypes.Type(value = GroupEdits.CopyGroup.class, name = "copy-group"),
    @JsonSubTypes.Type(value = GroupEdits.DeleteGroups.class, name = "delete-groups"),
    @JsonSubTypes.Type(value = GroupEdits.DescribeGroups.class, name = "describe-groups"),
    @JsonSubTypes.Type(value = GroupEdits.AlterGroup.class, name = "alter-group"),
    @JsonSubTypes.Type(value = GroupEdits.LevelGroup.class, name = "level-group"),
    @JsonSubTypes.Type(value = GroupEdits.RecordStarterGroups.class, name = "starter-groups"),
    @JsonSubTypes.Type(value = RecordEdits.RecordPalette.class, name = "record-palette"),
    @JsonSubTypes.Type(value = RecordEdits.RecordStarterPalettes.class, name = "starter-palettes"),
    @JsonSubTypes.Type(value = RecordEdits.EditEntry.class, name = "edit-entry"),
    @JsonSubTypes.Type(value = RecordEdits.RenamePalette.class, name = "rename-palette"),
    @JsonSubTypes.Type(value = RecordEdits.Apply.class, name = "apply"),
    @JsonSubTypes.Type(value = PatchEdits.Place.class, name = "place"),
    @JsonSubTypes.Type(value = PatchEdits.Describe.class, name = "describe"),
    @JsonSubTypes.Type(value = PatchEdits.Unpatch.class, name = "unpatch"),
    @JsonSubTypes.Type(value = PatchEdits.Delete.class, name = "delete"),
    @JsonSubTypes.Type(value = PatchEdits.Move.class, name = "move"),
    @JsonSubTypes.Type(value = PatchEdits.Shift.class, name = "shift"),
    @JsonSubTypes.Type(value = PatchEdits.Mark.class, name = "mark"),
    @JsonSubTypes.Type(value = PatchEdits.Fill.class, name = "fill"),
    @JsonSubTypes.Type(value = PatchEdits.Revise.class, name = "revise"),
    @JsonSubTypes.Type(value = PatchEdits.Change.class, name = "change-type"),
    @JsonSubTypes.Type(value = PatchEdits.Invert.class, name = "invert-heads"),
    @JsonSubTypes.Type(value = PatchEdits.Renew.class, name = "renew-profile"),
    @JsonSubTypes.Type(value = PatchEdits.Rename.class, name = "rename-show"),
    @JsonSubTypes.Type(value = LedgerEdits.Aside.class, name = "set-aside"),
    @JsonSubTypes.Type(value = LedgerEdits.Reopen.class, name = "reopen"),
    @JsonSubTypes.Type(value = LedgerEdits.Sign.class, name = "sign"),
    @JsonSubTypes.Type(value = LedgerEdits.Unsign.class, name = "unsign"),
    @JsonSubTypes.Type(value = LedgerEdits.NoPaper.class, name = "no-paper")
})
public sealed interface TypedEdit permits HandEdits, GroupEdits, RecordEdits, PatchEdits, LedgerEdits {

    /** Reads how lights are asked for, and patterns; these name nothing of a library. */
    LineReader WORDS = new LineReader(Profiles.NONE);

    /**
     * Where an edit is made.
     *
     * @param library what can be patched beside what the show holds
     * @param today for what is written down with its day
     * @param findings how a state of the show stands
     */
    record Here(Profiles library, LocalDate today, Function<Show, Findings> findings) {}

    ShowEdit edit(Here here);

    static <T> List<T> orNone(List<T> list) {
        return list == null
                ? List.of()
                : list.stream().filter(java.util.Objects::nonNull).toList();
    }

    static String orBlank(String text) {
        return text == null ? "" : text;
    }
}
