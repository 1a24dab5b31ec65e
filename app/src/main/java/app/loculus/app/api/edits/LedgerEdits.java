package app.loculus.app.api.edits;

import app.loculus.core.edit.ledger.HoldToPaper;
import app.loculus.core.edit.ledger.SetAside;
import app.loculus.core.edit.ledger.SignChapter;
import app.loculus.core.edit.ledger.TakeUpAgain;
import app.loculus.core.finding.Finding;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.ledger.FindingKey;
import app.loculus.core.ledger.Paperwork;
import app.loculus.core.ledger.Signature;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.formats.showfile.ChapterPrint;
import java.util.List;

/** What is said about the state of the work. */
public sealed interface LedgerEdits extends TypedEdit {

    private static Finding named(Draft draft, Here here, String key) {
        return here.findings()
                .apply(draft.show())
                .find(TypedEdit.orBlank(key))
                .orElseThrow(() -> Refusal.of("finding.gone", "finding", "That is not found any more."));
    }

    /** Leaves findings as they are. @param findings their keys, as Check lists them */
    record Aside(List<String> findings, String reason) implements LedgerEdits {

        public Aside {
            findings = TypedEdit.orNone(findings);
        }

        @Override
        public ShowEdit edit(Here here) {
            if (findings.isEmpty()) {
                throw Refusal.of("finding.none", "findings", "No finding is named.");
            }
            return draft -> new SetAside(findings.stream()
                            .distinct()
                            .map(key -> aside(named(draft, here, key), here))
                            .toList())
                    .on(draft);
        }

        private app.loculus.core.ledger.Aside aside(Finding found, Here here) {
            return new app.loculus.core.ledger.Aside(
                    found.key(),
                    found.words(),
                    found.matter(),
                    TypedEdit.orBlank(reason),
                    here.today().toString());
        }
    }

    /** Opens a finding again that was set aside. */
    record Reopen(String finding) implements LedgerEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new TakeUpAgain(new FindingKey(TypedEdit.orBlank(finding)));
        }
    }

    /** Puts a name to a chapter. @param chapter profiles, patch, groups, palettes or looks */
    record Sign(String chapter, String by) implements LedgerEdits {
        @Override
        public ShowEdit edit(Here here) {
            ChapterName name = ChapterName.parse(TypedEdit.orBlank(chapter));
            return draft -> new SignChapter(new Signature(
                            name,
                            TypedEdit.orBlank(by),
                            here.today().toString(),
                            ChapterPrint.of(draft.show(), name),
                            here.findings().apply(draft.show()).open(name).size()))
                    .on(draft);
        }
    }

    /** Takes the name off again. */
    record Unsign(String chapter) implements LedgerEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new app.loculus.core.edit.ledger.Unsign(ChapterName.parse(TypedEdit.orBlank(chapter)));
        }
    }

    /** Holds the patch to no paper any more. */
    record NoPaper() implements LedgerEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new HoldToPaper(Paperwork.NONE);
        }
    }
}
