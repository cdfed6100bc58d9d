package zentrel.plan;

/**
 * A value that is typed in on a device. The signal path uses what is in force; what is merely planned is said beside it.
 *
 * @param planned what the plan wants
 * @param inForce what the device does now, after the last apply or restart
 */
public record Setting<T>(T planned, T inForce) {
    /** A setting that is in force as planned. */
    public static <T> Setting<T> of(T value) {
        return new Setting<>(value, value);
    }

    /** Whether the device still has to be touched. */
    public boolean isPending() {
        return !planned.equals(inForce);
    }

    /** This setting with its planned value in force. */
    public Setting<T> applied() {
        return of(planned);
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Setting<?> other && planned.equals(other.planned) && inForce.equals(other.inForce);
    }

    @Override
    public int hashCode() {
        return 31 * planned.hashCode() + inForce.hashCode();
    }

    @Override
    public String toString() {
        return isPending() ? planned + " (now " + inForce + ")" : String.valueOf(planned);
    }
}
