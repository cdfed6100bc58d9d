package zentrel.plan;

/** Names an address that was typed in somewhere. See {@link Id} for what an id may contain. */
public record CopyId(String value) implements Id {
    public CopyId {
        Id.requireValid(value);
    }

    @Override
    public String toString() {
        return value;
    }
}
