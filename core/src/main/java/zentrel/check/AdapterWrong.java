package zentrel.check;

/** Bound where the partner is not: {@code adapter.wrong}. */
final class AdapterWrong extends PathRule {
    AdapterWrong() {
        super(
                "adapter.wrong",
                "Bound where the partner is not",
                "An application sends and listens on the adapter it was bound to, for each purpose apart. Bound to the control adapter, a stream goes out there and nowhere else; the desk's own screen looks as usual.");
    }
}
