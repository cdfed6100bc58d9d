package zentrel.plan;

/** Names a session of desks. See {@link Id} for what an id may contain. */
public record SessionId(String value) implements Id {
    public SessionId {
        Id.requireValid(value);
    }

    // Written out: ids are the keys of every lookup, and the generated forms are linked at run time, which costs the
    // start.
    @Override
    public boolean equals(Object o) {
        return o instanceof SessionId other && value.equals(other.value);
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
