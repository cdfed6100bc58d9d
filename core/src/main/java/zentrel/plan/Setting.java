package zentrel.plan;

/**
 * A value that is typed in on a device. The signal path uses what is in force; what is merely planned is said beside it.
 *
 * @param planned what the plan wants
 * @param inForce what the device does now, after the last apply or restart
 * @param entered whether the planned value is typed in already and waits for an apply or a restart; never so where it is
 *     in force
 */
public record Setting<T>(T planned, T inForce, boolean entered) {
    public Setting {
        entered = entered && !planned.equals(inForce);
    }

    /** A setting that is not typed in yet, where its values differ. */
    public Setting(T planned, T inForce) {
        this(planned, inForce, false);
    }

    /** A setting that is in force as planned. */
    public static <T> Setting<T> of(T value) {
        return new Setting<>(value, value);
    }

    /** Whether the device still has to be touched. */
    public boolean isPending() {
        return !planned.equals(inForce);
    }

    /** This setting with another value planned; what is in force stays. */
    public Setting<T> planning(T value) {
        return new Setting<>(value, inForce);
    }

    /** This setting with its planned value typed in. */
    public Setting<T> typedIn() {
        return new Setting<>(planned, inForce, true);
    }

    /** This setting with its planned value in force. */
    public Setting<T> applied() {
        return of(planned);
    }

    @Override
    public String toString() {
        return isPending() ? planned + " (now " + inForce + ")" : String.valueOf(planned);
    }
}
