package zentrel.plan;

/** Names a fixture. See {@link Id} for what an id may contain. */
public record FixtureId(String value) implements Id {
    public FixtureId {
        Id.requireValid(value);
    }

    @Override
    public String toString() {
        return value;
    }
}
