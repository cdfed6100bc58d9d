package zentrel.control;

/** One argument of an OSC message, as it is sent; the type tag of each (OSC 1.0) is in its comment. */
public sealed interface OscValue {
    /** {@code i}. */
    record Whole(int value) implements OscValue {}

    /** {@code f}. */
    record Decimal(float value) implements OscValue {}

    /** {@code s}. */
    record Text(String value) implements OscValue {}

    /** {@code T} or {@code F}. */
    record Switch(boolean value) implements OscValue {}

    /** Its type tag. */
    default char tag() {
        if (this instanceof Whole) {
            return 'i';
        } else if (this instanceof Decimal) {
            return 'f';
        } else if (this instanceof Switch s) {
            return s.value() ? 'T' : 'F';
        }
        return 's';
    }

    /** As people read it. */
    default String shown() {
        if (this instanceof Whole w) {
            return String.valueOf(w.value());
        } else if (this instanceof Decimal d) {
            return CueNumber.plain(d.value());
        } else if (this instanceof Switch s) {
            return String.valueOf(s.value());
        }
        return ((Text) this).value();
    }
}
