package zentrel.packet.rdm;

import zentrel.packet.Bytes;
import zentrel.packet.WireReader;
import zentrel.packet.WireReader.Malformed;
import zentrel.packet.WireWriter;

/**
 * RDM messages to bytes and back (ANSI E1.20), without the start code 0xCC, which Art-Net leaves out.
 *
 * <pre>
 * 0 sub start 0x01   1 length   2 destination (6)   8 source (6)   14 transaction   15 port or response
 * 16 message count   17 sub-device (2)   19 class   20 PID (2)   22 data length   23 data   then the checksum (2)
 * </pre>
 *
 * The length counts the start code and all before the checksum; the checksum is the sum of the same bytes.
 */
public final class RdmCodec {
    private static final int START_CODE = 0xCC;
    private static final int SUB_START = 0x01;
    private static final int HEAD = 23;

    private RdmCodec() {}

    /** Writes a message with its checksum. */
    public static void write(WireWriter w, RdmMessage m) {
        WireWriter body = new WireWriter().u8(SUB_START).u8(HEAD + 1 + m.data().length());
        uid(body, m.destination());
        uid(body, m.source());
        body.u8(m.transaction())
                .u8(m.portOrResponse())
                .u8(m.messageCount())
                .u16BigEndian(m.subDevice())
                .u8(m.commandClass())
                .u16BigEndian(m.parameter())
                .u8(m.data().length())
                .bytes(m.data());
        byte[] bytes = body.toArray();
        w.raw(bytes).u16BigEndian(checksum(bytes));
    }

    private static int checksum(byte[] bytes) {
        int sum = START_CODE;
        for (byte b : bytes) {
            sum += b & 0xFF;
        }
        return sum & 0xFFFF;
    }

    /** Writes an identity. */
    public static void uid(WireWriter w, Uid uid) {
        w.u16BigEndian(uid.manufacturer()).i32BigEndian(uid.device());
    }

    /** Reads an identity. */
    public static Uid uid(WireReader in, String field) throws Malformed {
        return new Uid(in.u16BigEndian(field), in.i32BigEndian(field));
    }

    /** Reads a message and checks its checksum. */
    public static RdmMessage read(WireReader in) throws Malformed {
        if (in.u8("Sub-start code") != SUB_START) {
            throw in.wrong("Sub-start code", 1, "is not 1");
        }
        int length = in.u8("Message length");
        if (length < HEAD + 1) {
            throw in.wrong("Message length", 1, "is " + length + "; the head alone has 24");
        }
        Uid destination = uid(in, "Destination UID");
        Uid source = uid(in, "Source UID");
        int transaction = in.u8("Transaction number");
        int port = in.u8("Port ID or response type");
        int count = in.u8("Message count");
        int sub = in.u16BigEndian("Sub-device");
        int commandClass = in.u8("Command class");
        int parameter = in.u16BigEndian("Parameter ID");
        int dataLength = in.u8("Parameter data length");
        if (dataLength != length - HEAD - 1) {
            throw in.wrong(
                    "Parameter data length",
                    1,
                    "is " + dataLength + ", and the message has room for " + (length - HEAD - 1));
        }
        Bytes data = in.bytes("Parameter data", dataLength);
        RdmMessage message =
                new RdmMessage(destination, source, transaction, port, count, sub, commandClass, parameter, data);
        int said = in.u16BigEndian("Checksum");
        WireWriter again = new WireWriter();
        write(again, message);
        byte[] bytes = again.toArray();
        int sum = (bytes[bytes.length - 2] & 0xFF) << 8 | (bytes[bytes.length - 1] & 0xFF);
        if (said != sum) {
            throw in.wrong("Checksum", 2, "is " + said + ", and the bytes sum up to " + sum);
        }
        return message;
    }
}
