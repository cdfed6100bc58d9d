package zentrel.plan;

/** Names a network adapter of a host. See {@link Id} for what an id may contain. */
public record AdapterId(String value) implements Id {
    public AdapterId {
        Id.requireValid(value);
    }

    @Override
    public String toString() {
        return value;
    }
}
