package app.loculus.app.store;

import java.time.OffsetDateTime;

/** Rows as they lie in the tables. */
final class Rows {

    private Rows() {}

    record ProfileSource(String id, String maker, String name, String xml) {}

    record ShowFile(
            long id,
            String name,
            long revision,
            boolean live,
            OffsetDateTime createdAt,
            OffsetDateTime changedAt,
            String kind,
            boolean archived) {}

    record UniverseRow(
            int universe,
            String name,
            boolean isOn,
            int port,
            int priority,
            String route,
            String target,
            String targetName) {}

    record PictureRow(String name, byte[] png) {}

    record LibraryRow(String profileId, String origin) {}

    record FixtureRow(
            int id,
            int number,
            String name,
            String profileId,
            String mode,
            String position,
            String purpose,
            boolean placed,
            double x,
            double y,
            double z,
            double rx,
            double ry,
            double rz,
            String notes,
            String answer,
            String answerNote) {}

    record AddressRow(int fixtureId, int seq, int breakNumber, int universe, int slot, boolean shared) {}

    record GroupRow(int id, int number, String name) {}

    record MemberRow(int groupId, int step, int seq, int fixtureId, int cell) {}

    record PaletteRow(int id, String kind, int number, String name, Double intentX, Double intentY) {}

    record EntryRow(
            int paletteId,
            int seq,
            String scope,
            String scopeProfile,
            String scopeMode,
            Integer scopeFixture,
            Integer scopeCell,
            String attribute,
            String valueForm,
            double valueNumber,
            String valueText,
            boolean companion) {}

    record ValueRow(
            int fixtureId,
            int cell,
            int seq,
            String attribute,
            String valueForm,
            double valueNumber,
            String valueText,
            boolean touched,
            boolean companion) {}

    record JournalRow(
            long id, long revision, String words, String gesture, OffsetDateTime madeAt, String state, String delta) {}
}
