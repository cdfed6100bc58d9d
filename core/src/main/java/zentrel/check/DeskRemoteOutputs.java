package zentrel.check;

/** A remote of a session sends levels too: {@code desk.remote-outputs}. */
final class DeskRemoteOutputs extends PathRule {
    DeskRemoteOutputs() {
        super(
                "desk.remote-outputs",
                "A remote of a session sends levels",
                "A remote works on the main desk, which sends for both. Where the remote's own output is on, it takes over by priority, or its levels mix with those of the main desk.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().sessions().isEmpty();
    }
}
