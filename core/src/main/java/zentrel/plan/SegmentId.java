package zentrel.plan;

/** Names a broadcast domain. See {@link Id} for what an id may contain. */
public record SegmentId(String value) implements Id {
    public SegmentId {
        Id.requireValid(value);
    }

    @Override
    public String toString() {
        return value;
    }
}
