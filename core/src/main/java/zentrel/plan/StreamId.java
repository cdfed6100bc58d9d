package zentrel.plan;

/** Names one source sending one universe by one protocol. See {@link Id} for what an id may contain. */
public record StreamId(String value) implements Id {
    public StreamId {
        Id.requireValid(value);
    }

    // Written out: ids are the keys of every lookup, and the generated forms are linked at run time, which costs the
    // start.
    @Override
    public boolean equals(Object o) {
        return o instanceof StreamId other && value.equals(other.value);
    }

    @Override
    public int hashCode() {
        return value.hashCode();
    }

    @Override
    public String toString() {
        return value;
    }
}
