package zentrel.plan;

/** Names a cable. See {@link Id} for what an id may contain. */
public record CableId(String value) implements Id {
    public CableId {
        Id.requireValid(value);
    }

    @Override
    public String toString() {
        return value;
    }
}
