package app.loculus.core.ledger;

/**
 * One row of a channel hookup, as it was written.
 *
 * @param line line of the file, 1-based, for words
 */
public record HookupRow(
        int line,
        String number,
        String name,
        String profile,
        String mode,
        String address,
        String position,
        String purpose) {}
