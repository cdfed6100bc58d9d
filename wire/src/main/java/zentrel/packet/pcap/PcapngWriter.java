package zentrel.packet.pcap;

import java.io.Closeable;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import zentrel.ipv4.Ipv4Address;
import zentrel.packet.WireWriter;

/**
 * Writes UDP packets as a pcapng recording: a section header, an interface for each adapter (link type 101, raw IP; times in
 * nanoseconds), and an enhanced packet block for each packet (pcapng, an Internet-Draft of the IETF opsawg group; block numbers checked
 * against tshark). Not for several threads at once.
 */
public final class PcapngWriter implements Closeable {
    private static final int SECTION_HEADER = 0x0A0D0D0A;
    private static final int BYTE_ORDER_MAGIC = 0x1A2B3C4D;
    private static final int INTERFACE = 1;
    private static final int ENHANCED_PACKET = 6;
    private static final int LINK_RAW_IP = 101;
    private static final int OPTION_NAME = 2;
    private static final int OPTION_RESOLUTION = 9;
    private static final int NANOSECONDS = 9; // ten to the power of minus nine
    private static final int UDP = 17;
    private static final int IP_HEADER = 20;
    private static final int UDP_HEADER = 8;
    private static final int UNKNOWN_TTL = 64;

    private final OutputStream out;
    private final Map<String, Integer> interfaces = new HashMap<>();

    /**
     * Begins a recording.
     *
     * @param out closed with this
     * @throws IOException if it cannot be written
     */
    public PcapngWriter(OutputStream out) throws IOException {
        this.out = out;
        block(
                SECTION_HEADER,
                new WireWriter()
                        .i32BigEndian(BYTE_ORDER_MAGIC)
                        .u16BigEndian(1)
                        .u16BigEndian(0)
                        .i64BigEndian(-1));
    }

    /**
     * Writes a packet.
     *
     * @param nanos since 1970 in UTC
     * @param adapter the name of the adapter where it was seen
     * @param ttl 1–255; anything else is written as 64
     * @throws IOException if it cannot be written
     */
    public void write(
            long nanos,
            String adapter,
            Ipv4Address source,
            int sourcePort,
            Ipv4Address destination,
            int destinationPort,
            int ttl,
            byte[] payload)
            throws IOException {
        int number = interfaceOf(adapter);
        int length = IP_HEADER + UDP_HEADER + payload.length;
        WireWriter block = new WireWriter()
                .i32BigEndian(number)
                .i64BigEndian(nanos)
                .i32BigEndian(length)
                .i32BigEndian(length);
        block.raw(ipHeader(length, ttl > 0 && ttl < 256 ? ttl : UNKNOWN_TTL, source, destination));
        block.u16BigEndian(sourcePort).u16BigEndian(destinationPort);
        block.u16BigEndian(UDP_HEADER + payload.length).u16BigEndian(0); // 0: not computed (RFC 768)
        block.raw(payload);
        block(ENHANCED_PACKET, block);
    }

    private static byte[] ipHeader(int length, int ttl, Ipv4Address source, Ipv4Address destination) {
        byte[] header = new WireWriter()
                .u8(0x45)
                .u8(0)
                .u16BigEndian(length)
                .i32BigEndian(0)
                .u8(ttl)
                .u8(UDP)
                .u16BigEndian(0)
                .i32BigEndian(source.bits())
                .i32BigEndian(destination.bits())
                .toArray();
        int sum = 0; // RFC 1071
        for (int i = 0; i < header.length; i += 2) {
            sum += (header[i] & 0xFF) << 8 | (header[i + 1] & 0xFF);
        }
        sum = (sum & 0xFFFF) + (sum >> 16);
        sum = ~((sum & 0xFFFF) + (sum >> 16));
        header[10] = (byte) (sum >> 8);
        header[11] = (byte) sum;
        return header;
    }

    private int interfaceOf(String adapter) throws IOException {
        Integer known = interfaces.get(adapter);
        if (known != null) {
            return known;
        }
        byte[] name = adapter.getBytes(StandardCharsets.UTF_8);
        WireWriter block =
                new WireWriter().u16BigEndian(LINK_RAW_IP).u16BigEndian(0).i32BigEndian(0);
        block.u16BigEndian(OPTION_NAME).u16BigEndian(name.length).raw(name).zeros(-name.length & 3);
        block.u16BigEndian(OPTION_RESOLUTION).u16BigEndian(1).u8(NANOSECONDS).zeros(3);
        block.i32BigEndian(0); // end of the options
        block(INTERFACE, block);
        interfaces.put(adapter, interfaces.size());
        return interfaces.size() - 1;
    }

    private void block(int type, WireWriter body) throws IOException {
        int padding = -body.length() & 3;
        int total = 12 + body.length() + padding;
        out.write(new WireWriter()
                .i32BigEndian(type)
                .i32BigEndian(total)
                .raw(body.toArray())
                .zeros(padding)
                .i32BigEndian(total)
                .toArray());
    }

    @Override
    public void close() throws IOException {
        out.close();
    }
}
