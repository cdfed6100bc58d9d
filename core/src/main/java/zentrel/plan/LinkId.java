package zentrel.plan;

/** Names a control link. See {@link Id} for what an id may contain. */
public record LinkId(String value) implements Id {
    public LinkId {
        Id.requireValid(value);
    }

    @Override
    public String toString() {
        return value;
    }
}
