package app.loculus.core.ledger;

/** Stays with a finding for as long as it is about the same thing, whatever that is called and how bad it is. */
public record FindingKey(String value) implements Comparable<FindingKey> {

    @Override
    public int compareTo(FindingKey other) {
        return value.compareTo(other.value);
    }

    @Override
    public String toString() {
        return value;
    }
}
