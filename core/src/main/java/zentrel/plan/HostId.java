package zentrel.plan;

/** Names a physical box. See {@link Id} for what an id may contain. */
public record HostId(String value) implements Id {
    public HostId {
        Id.requireValid(value);
    }

    @Override
    public String toString() {
        return value;
    }
}
