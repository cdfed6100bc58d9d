package zentrel.plan;

/** Names a session of desks. See {@link Id} for what an id may contain. */
public record SessionId(String value) implements Id {
    public SessionId {
        Id.requireValid(value);
    }

    @Override
    public String toString() {
        return value;
    }
}
