package zentrel.net;

/**
 * The three states of a wire: listen (nothing leaves), ask (questions and answers leave), armed (levels too, for one named
 * adapter). Every send asks it. May be used by any thread.
 */
public final class OutputGuard {
    /** What may leave. */
    public enum State {
        LISTEN,
        ASK,
        ARMED
    }

    private record Mode(State state, String adapter) {}

    private volatile Mode mode;

    /**
     * A guard that is not armed.
     *
     * @throws IllegalArgumentException for {@link State#ARMED}, which names an adapter
     */
    public OutputGuard(State state) {
        mode = unarmed(state);
    }

    /** A guard that lets everything leave by one adapter. */
    public static OutputGuard armed(String adapter) {
        OutputGuard guard = new OutputGuard(State.LISTEN);
        guard.arm(adapter);
        return guard;
    }

    private static Mode unarmed(State state) {
        if (state == State.ARMED) {
            throw new IllegalArgumentException("Output is armed for a named adapter.");
        }
        return new Mode(state, "");
    }

    public State state() {
        return mode.state();
    }

    /** Goes to a state that is not armed: no level leaves after this returns. */
    public void set(State value) {
        mode = unarmed(value);
    }

    /**
     * Lets levels leave by one adapter, and by no other.
     *
     * @param adapter the name that the system gives it
     */
    public void arm(String adapter) {
        mode = new Mode(State.ARMED, adapter);
    }

    /** Whether this may be sent by an adapter, as the system names it. */
    public boolean allows(SendIntent sending, String adapter) {
        Mode now = mode;
        return switch (now.state()) {
            case LISTEN -> false;
            case ASK -> sending == SendIntent.ASKING;
            case ARMED -> sending == SendIntent.ASKING || now.adapter().equals(adapter);
        };
    }
}
