package zentrel.packet.rdm;

import zentrel.packet.Bytes;

/**
 * A message of RDM (ANSI E1.20), without its start code.
 *
 * @param transaction 0–255, the same in question and answer
 * @param portOrResponse the port of a controller, or the kind of an answer ({@link #ACK} …)
 * @param messageCount messages that wait, 0–255
 * @param subDevice 0 for the device itself
 * @param commandClass {@link #GET} …
 * @param parameter a PID
 * @param data at most 231 bytes
 */
public record RdmMessage(
        Uid destination,
        Uid source,
        int transaction,
        int portOrResponse,
        int messageCount,
        int subDevice,
        int commandClass,
        int parameter,
        Bytes data) {
    public static final int GET = 0x20;
    public static final int GET_RESPONSE = 0x21;
    public static final int SET = 0x30;
    public static final int SET_RESPONSE = 0x31;

    /** Done as asked. */
    public static final int ACK = 0x00;

    /** Refused; the data is the reason. */
    public static final int NACK = 0x02;

    public static final int DEVICE_INFO = 0x0060;
    public static final int DEVICE_MODEL_DESCRIPTION = 0x0080;
    public static final int MANUFACTURER_LABEL = 0x0081;
    public static final int DEVICE_LABEL = 0x0082;
    public static final int DMX_START_ADDRESS = 0x00F0;
    public static final int IDENTIFY_DEVICE = 0x1000;

    /** Bytes of data at most, for the length of a message is one byte and its head has 24. */
    public static final int MOST_DATA = 231;

    public RdmMessage {
        for (int value : new int[] {transaction, portOrResponse, messageCount, commandClass}) {
            if (value < 0 || value > 255) {
                throw new IllegalArgumentException("A byte of an RDM message goes from 0 to 255, not " + value + ".");
            }
        }
        for (int value : new int[] {subDevice, parameter}) {
            if (value < 0 || value > 0xFFFF) {
                throw new IllegalArgumentException("Sub-device and PID go from 0 to 65535, not " + value + ".");
            }
        }
        if (data.length() > MOST_DATA) {
            throw new IllegalArgumentException(
                    "An RDM message carries at most " + MOST_DATA + " bytes, not " + data.length() + ".");
        }
    }

    /** A question, or what is to be set. */
    public static RdmMessage ask(
            Uid destination, Uid source, int transaction, int commandClass, int parameter, Bytes data) {
        return new RdmMessage(destination, source, transaction, 1, 0, 0, commandClass, parameter, data);
    }

    /** The answer to this. */
    public RdmMessage answer(int kind, Bytes content) {
        Uid asker = source;
        Uid answerer = destination;
        return new RdmMessage(asker, answerer, transaction, kind, 0, subDevice, commandClass + 1, parameter, content);
    }

    public boolean isAnswer() {
        return commandClass == GET_RESPONSE || commandClass == SET_RESPONSE;
    }
}
