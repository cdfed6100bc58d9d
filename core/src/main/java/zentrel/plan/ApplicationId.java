package zentrel.plan;

/** Names a program that runs on a host. See {@link Id} for what an id may contain. */
public record ApplicationId(String value) implements Id {
    public ApplicationId {
        Id.requireValid(value);
    }

    @Override
    public String toString() {
        return value;
    }
}
