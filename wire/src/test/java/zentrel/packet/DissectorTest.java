package zentrel.packet;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import zentrel.Witnesses;
import zentrel.ipv4.Ipv4Address;
import zentrel.packet.artnet.ArtAddress;
import zentrel.packet.artnet.ArtAddressCommand;
import zentrel.packet.artnet.ArtDmx;
import zentrel.packet.artnet.ArtIpProg;
import zentrel.packet.artnet.ArtIpProgReply;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.artnet.ArtPoll;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.packet.artnet.ArtRdm;
import zentrel.packet.artnet.ArtSync;
import zentrel.packet.artnet.ArtTodData;
import zentrel.packet.artnet.ArtTodRequest;
import zentrel.packet.osc.OscArgument;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscMessage;
import zentrel.packet.rdm.RdmMessage;
import zentrel.packet.rdm.Uid;
import zentrel.packet.sacn.SacnCodec;
import zentrel.packet.sacn.SacnData;
import zentrel.universe.PortAddress;

/**
 * An independent dissector (tshark, with its sACN and OSC dissectors switched on) reads our packets field by field. It does
 * not know sACN synchronization and discovery: those are held by fixed bytes in {@link WorkedBytesTest}.
 */
class DissectorTest {
    @TempDir
    static Path folder;

    @BeforeAll
    static void theDissectorIsThere() throws Exception {
        assertThat(Witnesses.said("tshark", "--version")).contains("TShark");
    }

    /** Writes one UDP datagram as a capture and asks the dissector for fields; the first is frame.protocols. */
    private static List<String> dissect(byte[] payload, int port, String... fields) throws Exception {
        StringBuilder dump = new StringBuilder();
        for (int i = 0; i < payload.length; i++) {
            if (i % 16 == 0) {
                dump.append(i == 0 ? "" : "\n").append("%06x".formatted(i));
            }
            dump.append(" %02x".formatted(payload[i]));
        }
        Path text = Files.writeString(folder.resolve("dump.txt"), dump + "\n");
        Path pcap = folder.resolve("dump.pcap");
        Witnesses.said(
                "text2pcap",
                "-q",
                "-4",
                "10.41.1.1,10.41.20.3",
                "-u",
                port + "," + port,
                text.toString(),
                pcap.toString());
        List<String> command = new ArrayList<>(List.of(
                "tshark",
                "-r",
                pcap.toString(),
                "--enable-heuristic",
                "acn",
                "-o",
                "acn.dmx_enable:TRUE",
                "--enable-heuristic",
                "osc_udp",
                "-T",
                "fields",
                "-E",
                "occurrence=a",
                "-E",
                "aggregator=,",
                "-e",
                "frame.protocols",
                "-e",
                "_ws.malformed"));
        for (String field : fields) {
            command.addAll(List.of("-e", field));
        }
        String line = Witnesses.said(command.toArray(String[]::new)).stripTrailing();
        List<String> values = new ArrayList<>(Arrays.asList(line.split("\t", -1)));
        while (values.size() < fields.length + 2) {
            values.add("");
        }
        assertThat(values.get(1)).as("malformed according to the dissector").isEmpty();
        return values;
    }

    @Test
    void artDmx() throws Exception {
        ArtDmx dmx = new ArtDmx(7, 2, new PortAddress(0x1234), Bytes.zeros(512));
        List<String> v = dissect(
                ArtNetCodec.encode(dmx),
                6454,
                "artnet.header.id",
                "artnet.header.opcode",
                "artnet.header.protver",
                "artnet.output.sequence",
                "artnet.output.physical",
                "artnet.output.universe",
                "artnet.output.length",
                "udp.length");
        assertThat(v.get(0)).contains("artnet");
        assertThat(v.subList(3, 10)).containsExactly("0x5000", "14", "7", "2", "4660", "512", "538");
        assertThat(v.get(2)).startsWith("Art-Net");
    }

    @Test
    void artPollAndSync() throws Exception {
        List<String> poll = dissect(
                ArtNetCodec.encode(ArtPoll.plain()),
                6454,
                "artnet.header.opcode",
                "artnet.poll.talktome",
                "udp.length");
        assertThat(poll.get(0)).contains("artnet");
        assertThat(poll.subList(2, 5)).containsExactly("0x2000", "0x00", "22");
        List<String> sync = dissect(ArtNetCodec.encode(new ArtSync(0, 0)), 6454, "artnet.header.opcode", "udp.length");
        assertThat(sync.get(0)).contains("artnet");
        assertThat(sync.subList(2, 4)).containsExactly("0x5200", "22");
    }

    @Test
    void artPollReply() throws Exception {
        ArtPollReply reply = new ArtPollReply(
                Ipv4Address.parse("10.41.20.3"),
                6454,
                0x0102,
                3,
                4,
                0x1234,
                0,
                0xd0,
                0x5a5a,
                "Boathouse",
                "Boathouse node",
                "#0001 fine",
                4,
                Bytes.of(0x80, 0x80, 0x80, 0x80),
                Bytes.zeros(4),
                Bytes.of(0x80, 0, 0, 0),
                Bytes.zeros(4),
                Bytes.of(4, 5, 6, 7),
                100,
                0,
                0,
                0,
                Bytes.of(2, 0, 10, 41, 20, 3),
                Ipv4Address.parse("10.41.20.3"),
                1,
                8,
                Bytes.zeros(4),
                0,
                Bytes.zeros(ArtPollReply.REST));
        List<String> v = dissect(
                ArtNetCodec.encode(reply),
                6454,
                "artnet.header.opcode",
                "artnet.poll_reply.ip_address",
                "artnet.poll_reply.port_nr",
                "artnet.poll_reply.netswitch",
                "artnet.poll_reply.subswitch",
                "artnet.poll_reply.short_name",
                "artnet.poll_reply.long_name",
                "artnet.poll_reply.num_ports",
                "artnet.poll_reply.mac",
                "artnet.poll_reply.bind_index");
        assertThat(v.get(0)).contains("artnet");
        assertThat(v.subList(2, 10))
                .containsExactly("0x2100", "10.41.20.3", "6454", "0x03", "0x04", "Boathouse", "Boathouse node", "4");
        assertThat(v.get(10)).isEqualTo("02:00:0a:29:14:03");
        assertThat(v.get(11)).isIn("1", "0x01");
    }

    @Test
    void whatSetsANode() throws Exception {
        ArtAddress address = ArtAddress.keeping(2)
                .withNames("Paths", "Paths node")
                .withPort(1, true, new PortAddress(0x1234))
                .withCommand(ArtAddressCommand.MERGE_LTP.of(1));
        List<String> v = dissect(
                ArtNetCodec.encode(address),
                6454,
                "artnet.header.opcode",
                "artnet.address.short_name",
                "artnet.address.long_name",
                "artnet.address.netswitch_net",
                "artnet.address.subswitch_sub",
                "artnet.address.swout_1",
                "artnet.address.swout_2",
                "artnet.address.command",
                "udp.length");
        assertThat(v.get(0)).contains("artnet");
        assertThat(v.subList(2, 7)).containsExactly("0x6000", "Paths", "Paths node", "18", "3");
        assertThat(v.subList(7, 11)).containsExactly("0x7f", "0x84", "0x11", "115");
        List<String> prog = dissect(
                ArtNetCodec.encode(ArtIpProg.fixed(Ipv4Address.parse("10.41.21.2"), Ipv4Address.parse("255.255.0.0"))),
                6454,
                "artnet.header.opcode",
                "artnet.ip_prog.ip",
                "artnet.ip_prog.sm",
                "artnet.ip_prog.command",
                "artnet.ip_prog.command_dhcp_enable",
                "udp.length");
        assertThat(prog.subList(2, 6)).containsExactly("0xf800", "10.41.21.2", "255.255.0.0", "0x86");
        assertThat(prog.get(6)).isIn("0", "False");
        assertThat(prog.get(7)).isEqualTo("42");
        List<String> reply = dissect(
                ArtNetCodec.encode(new ArtIpProgReply(
                        Ipv4Address.parse("10.41.21.2"),
                        Ipv4Address.parse("255.255.0.0"),
                        6454,
                        ArtIpProgReply.DHCP,
                        Ipv4Address.ANY)),
                6454,
                "artnet.header.opcode",
                "artnet.ip_prog_reply.ip",
                "artnet.ip_prog_reply.sm",
                "artnet.ip_prog_reply.port",
                "artnet.ip_prog_reply.status_dhcp_enable",
                "udp.length");
        assertThat(reply.subList(2, 6)).containsExactly("0xf900", "10.41.21.2", "255.255.0.0", "6454");
        assertThat(reply.get(6)).isIn("1", "True");
        assertThat(reply.get(7)).isEqualTo("42");
    }

    @Test
    void rdm() throws Exception {
        Uid fixture = new Uid(0x7FF0, 7);
        PortAddress output = new PortAddress(0x0123);
        List<String> asked = dissect(
                ArtNetCodec.encode(new ArtTodRequest(1, List.of(0x23))),
                6454,
                "artnet.header.opcode",
                "artnet.tod_request.net",
                "artnet.tod_request.ad_count",
                "udp.length");
        assertThat(asked.subList(2, 6)).containsExactly("0x8000", "0x01", "1", "64");
        List<String> list = dissect(
                ArtNetCodec.encode(new ArtTodData(1, 1, 0, output, 1, 0, List.of(fixture))),
                6454,
                "artnet.header.opcode",
                "artnet.tod_data.port",
                "artnet.tod_data.address",
                "artnet.tod_data.uid_total",
                "artnet.tod_data.uid_count",
                "artnet.tod_data.tod");
        assertThat(list.subList(2, 7)).containsExactly("0x8100", "1", "0x23", "1", "1");
        assertThat(list.get(7).replace(":", "")).isEqualTo("7ff000000007");
        RdmMessage set = RdmMessage.ask(
                fixture, new Uid(0x7FF0, 1), 5, RdmMessage.SET, RdmMessage.DMX_START_ADDRESS, Bytes.of(0, 55));
        List<String> v = dissect(
                ArtNetCodec.encode(new ArtRdm(output, set)),
                6454,
                "artnet.header.opcode",
                "rdm.dst",
                "rdm.src",
                "rdm.tn",
                "rdm.cc",
                "rdm.pid",
                "rdm.pd.dmx_start_address",
                "rdm.checksum.status");
        assertThat(v.get(0)).contains("rdm");
        assertThat(v.get(3).replace(":", "")).isEqualTo("7ff000000007");
        assertThat(v.get(4).replace(":", "")).isEqualTo("7ff000000001");
        assertThat(v.subList(5, 9)).containsExactly("5", "0x30", "0x00f0", "55");
        assertThat(v.get(9)).isIn("1", "Good");
    }

    @Test
    void sacnData() throws Exception {
        UUID cid = UUID.fromString("01020304-0506-0708-090a-0b0c0d0e0f10");
        SacnData data = new SacnData(cid, "Hut desk", 90, 0, 5, true, false, false, 7962, 0, Bytes.zeros(512));
        List<String> v = dissect(
                SacnCodec.encode(data),
                5568,
                "acn.cid",
                "acn.dmx.source_name",
                "acn.dmx.priority",
                "acn.dmx.seq_number",
                "acn.dmx.universe",
                "acn.dmx.option_p",
                "acn.dmx.option_s",
                "udp.length");
        assertThat(v.get(0)).contains("acn");
        assertThat(v.get(2)).isEqualTo(cid.toString());
        assertThat(v.subList(3, 7)).containsExactly("Hut desk", "90", "5", "7962");
        assertThat(v.get(7)).isIn("1", "True");
        assertThat(v.get(8)).isIn("0", "False");
        assertThat(v.get(9)).isEqualTo("646");
    }

    @Test
    void osc() throws Exception {
        OscMessage message = new OscMessage(
                "/fern/next",
                List.of(new OscArgument.Int32(7), new OscArgument.Text("now"), new OscArgument.Float32(0.5f)));
        List<String> v = dissect(
                OscCodec.encode(message),
                24510,
                "osc.message.header.path",
                "osc.message.header.format",
                "osc.message.int32",
                "osc.message.string",
                "osc.message.float");
        assertThat(v.get(0)).contains("osc");
        assertThat(v.subList(2, 7)).containsExactly("/fern/next", ",isf", "7", "now", "0.5");
    }
}
