package zentrel.wire;

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

    private volatile State state;

    public OutputGuard(State state) {
        this.state = state;
    }

    public State state() {
        return state;
    }

    public void set(State value) {
        state = value;
    }

    public boolean allows(Sending sending) {
        return switch (state) {
            case LISTEN -> false;
            case ASK -> sending == Sending.ASKING;
            case ARMED -> true;
        };
    }
}
