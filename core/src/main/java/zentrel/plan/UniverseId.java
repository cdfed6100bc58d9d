package zentrel.plan;

/** Names a universe of 512 slots. See {@link Id} for what an id may contain. */
public record UniverseId(String value) implements Id {
    public UniverseId {
        Id.requireValid(value);
    }

    @Override
    public String toString() {
        return value;
    }
}
