package zentrel.plan;

/** Names a DMX line. See {@link Id} for what an id may contain. */
public record LineId(String value) implements Id {
    public LineId {
        Id.requireValid(value);
    }

    @Override
    public String toString() {
        return value;
    }
}
