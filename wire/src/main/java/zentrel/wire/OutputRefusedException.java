package zentrel.wire;

import java.io.IOException;

/** A datagram was not sent because it would not leave by the adapter that it was meant for. The message is a sentence. */
public final class OutputRefusedException extends IOException {
    private static final long serialVersionUID = 1L;

    OutputRefusedException(String message) {
        super(message);
    }
}
