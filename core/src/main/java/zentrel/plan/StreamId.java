package zentrel.plan;

/** Names one source sending one universe by one protocol. See {@link Id} for what an id may contain. */
public record StreamId(String value) implements Id {
    public StreamId {
        Id.requireValid(value);
    }

    @Override
    public String toString() {
        return value;
    }
}
