package zentrel.plan;

/** Names the part of an application that takes universes. See {@link Id} for what an id may contain. */
public record ReceiverId(String value) implements Id {
    public ReceiverId {
        Id.requireValid(value);
    }

    // Written out: ids are the keys of every lookup, and the generated forms are linked at run time, which costs the
    // start.
    @Override
    public boolean equals(Object o) {
        return o instanceof ReceiverId other && value.equals(other.value);
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
