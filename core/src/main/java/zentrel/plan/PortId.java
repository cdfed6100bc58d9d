package zentrel.plan;

/** Names a DMX connector or an input inside an application. See {@link Id} for what an id may contain. */
public record PortId(String value) implements Id {
    public PortId {
        Id.requireValid(value);
    }

    @Override
    public String toString() {
        return value;
    }
}
