package zentrel.plan;

/** Names an address that was typed in somewhere. See {@link Id} for what an id may contain. */
public record CopyId(String value) implements Id {
    public CopyId {
        Id.requireValid(value);
    }

    // Written out: ids are the keys of every lookup, and the generated forms are linked at run time, which costs the
    // start.
    @Override
    public boolean equals(Object o) {
        return o instanceof CopyId other && value.equals(other.value);
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
