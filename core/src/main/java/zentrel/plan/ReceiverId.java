package zentrel.plan;

/** Names the part of an application that takes universes. See {@link Id} for what an id may contain. */
public record ReceiverId(String value) implements Id {
    public ReceiverId {
        Id.requireValid(value);
    }

    @Override
    public String toString() {
        return value;
    }
}
