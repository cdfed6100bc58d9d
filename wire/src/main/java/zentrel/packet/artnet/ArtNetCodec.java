package zentrel.packet.artnet;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zentrel.ipv4.Ipv4Address;
import zentrel.packet.Bytes;
import zentrel.packet.Decoded;
import zentrel.packet.WireReader;
import zentrel.packet.WireReader.Malformed;
import zentrel.packet.WireWriter;
import zentrel.universe.PortAddress;

/** Art-Net 4 packets to bytes and back. */
public final class ArtNetCodec {
    private static final byte[] ID = {'A', 'r', 't', '-', 'N', 'e', 't', 0};
    private static final int POLL = 0x2000;
    private static final int POLL_REPLY = 0x2100;
    private static final int DMX = 0x5000;
    private static final int NZS = 0x5100;
    private static final int SYNC = 0x5200;
    private static final int ADDRESS = 0x6000;
    private static final int TOD_REQUEST = 0x8000;
    private static final int TOD_DATA = 0x8100;
    private static final int TOD_CONTROL = 0x8200;
    private static final int RDM = 0x8300;
    private static final int IP_PROG = 0xF800;
    private static final int IP_PROG_REPLY = 0xF900;
    static final int SHORT_TEXT_LENGTH = 18;
    static final int LONG_TEXT_LENGTH = 64;
    private static final String NAMES = "Art-Net 4, ArtPollReply,";

    private static final Set<Integer> KNOWN =
            Set.of(POLL, DMX, SYNC, NZS, ADDRESS, IP_PROG, IP_PROG_REPLY, TOD_REQUEST, TOD_CONTROL, TOD_DATA, RDM);

    private ArtNetCodec() {}

    public static byte[] encode(ArtNetPacket packet) {
        WireWriter w = new WireWriter().raw(ID);
        if (packet instanceof ArtPoll poll) {
            poll(w, poll);
        } else if (packet instanceof ArtPollReply reply) {
            reply(w, reply);
        } else if (packet instanceof ArtDmx dmx) {
            head(w, DMX)
                    .u8(dmx.sequence())
                    .u8(dmx.physical())
                    .u16LittleEndian(dmx.portAddress().value());
            w.u16BigEndian(dmx.data().length()).bytes(dmx.data());
        } else if (packet instanceof ArtSync sync) {
            head(w, SYNC).u8(sync.aux1()).u8(sync.aux2());
        } else if (packet instanceof ArtNzs nzs) {
            ArtSettingCodec.nzs(head(w, NZS), nzs);
        } else if (packet instanceof ArtAddress address) {
            ArtSettingCodec.address(head(w, ADDRESS), address);
        } else if (packet instanceof ArtIpProg prog) {
            ArtSettingCodec.ipProg(head(w, IP_PROG), prog);
        } else if (packet instanceof ArtIpProgReply reply) {
            ArtSettingCodec.ipProgReply(head(w, IP_PROG_REPLY), reply);
        } else if (packet instanceof ArtTodRequest request) {
            ArtRdmCodec.todRequest(head(w, TOD_REQUEST), request);
        } else if (packet instanceof ArtTodControl control) {
            ArtRdmCodec.todControl(head(w, TOD_CONTROL), control);
        } else if (packet instanceof ArtTodData data) {
            ArtRdmCodec.todData(head(w, TOD_DATA), data);
        } else if (packet instanceof ArtRdm rdm) {
            ArtRdmCodec.rdm(head(w, RDM), rdm);
        }
        return w.toArray();
    }

    private static WireWriter head(WireWriter w, int opCode) {
        return w.u16LittleEndian(opCode).u16BigEndian(ArtNetPacket.PROTOCOL_VERSION);
    }

    private static void poll(WireWriter w, ArtPoll poll) {
        head(w, POLL).u8(poll.flags()).u8(poll.diagnosticsPriority());
        poll.target()
                .ifPresent(t -> w.u16BigEndian(t.highest().value())
                        .u16BigEndian(t.lowest().value()));
        poll.sender().ifPresent(s -> w.u16BigEndian(s.esta()).u16BigEndian(s.oem()));
    }

    private static void reply(WireWriter w, ArtPollReply r) {
        w.u16LittleEndian(POLL_REPLY)
                .i32BigEndian(r.address().bits())
                .u16LittleEndian(r.port())
                .u16BigEndian(r.version());
        w.u8(r.net())
                .u8(r.subNet())
                .u16BigEndian(r.oem())
                .u8(r.ubeaVersion())
                .u8(r.status1())
                .u16LittleEndian(r.esta());
        w.fixedText(r.portName(), SHORT_TEXT_LENGTH)
                .fixedText(r.longName(), LONG_TEXT_LENGTH)
                .fixedText(r.report(), LONG_TEXT_LENGTH);
        w.u16BigEndian(r.ports())
                .bytes(r.portTypes())
                .bytes(r.goodInput())
                .bytes(r.goodOutput())
                .bytes(r.swIn())
                .bytes(r.swOut());
        w.u8(r.acnPriority())
                .u8(r.macro())
                .u8(r.remote())
                .zeros(3)
                .u8(r.style())
                .bytes(r.mac());
        w.i32BigEndian(r.bindAddress().bits())
                .u8(r.bindIndex())
                .u8(r.status2())
                .bytes(r.goodOutputB())
                .u8(r.status3())
                .bytes(r.rest());
    }

    /** What the bytes are. */
    public static Decoded<ArtNetPacket> decode(byte[] bytes) {
        try {
            WireReader in = new WireReader(bytes);
            if (bytes.length < ID.length || !in.bytes("Id", ID.length).equals(Bytes.of(ID))) {
                return new Decoded.Unknown<>("not Art-Net", Bytes.of(bytes));
            }
            int opCode = in.u16LittleEndian("OpCode");
            List<String> tolerated = new ArrayList<>();
            if (opCode == POLL_REPLY) { // the only one without a version
                return new Decoded.Packet<>(readReply(in, tolerated), tolerated);
            }
            if (!KNOWN.contains(opCode)) {
                return new Decoded.Unknown<>("Art-Net OpCode 0x" + Integer.toHexString(opCode), Bytes.of(bytes));
            }
            readVersion(in);
            ArtNetPacket packet = switch (opCode) {
                case POLL -> readPoll(in, tolerated);
                case DMX -> readDmx(in, tolerated);
                case SYNC -> readSync(in, tolerated);
                case NZS -> ArtSettingCodec.readNzs(in, tolerated);
                case ADDRESS -> ArtSettingCodec.readAddress(in, tolerated);
                case IP_PROG -> ArtSettingCodec.readIpProg(in, tolerated);
                case IP_PROG_REPLY -> ArtSettingCodec.readIpProgReply(in, tolerated);
                case TOD_REQUEST -> ArtRdmCodec.readTodRequest(in, tolerated);
                case TOD_CONTROL -> ArtRdmCodec.readTodControl(in, tolerated);
                case TOD_DATA -> ArtRdmCodec.readTodData(in, tolerated);
                default -> ArtRdmCodec.readRdm(in, tolerated);
            };
            return new Decoded.Packet<>(packet, tolerated);
        } catch (Malformed e) {
            return e.decoded(bytes);
        }
    }

    private static void readVersion(WireReader in) throws Malformed {
        int version = in.u16BigEndian("ProtVer");
        if (version < ArtNetPacket.PROTOCOL_VERSION) {
            throw in.wrong("ProtVer", 2, "is " + version + ", below " + ArtNetPacket.PROTOCOL_VERSION);
        }
    }

    /** Later versions may add fields; the standard asks receivers to take packets longer than they know. */
    static void rest(WireReader in, List<String> tolerated) throws Malformed {
        if (in.remaining() > 0) {
            tolerated.add(in.remaining() + " bytes more than this version knows");
            in.skip("Filler", in.remaining());
        }
    }

    private static ArtNetPacket readPoll(WireReader in, List<String> tolerated) throws Malformed {
        int flags = in.u8("Flags");
        int priority = in.u8("DiagPriority");
        Optional<ArtPoll.Target> target = Optional.empty();
        Optional<ArtPoll.Sender> sender = Optional.empty();
        if (in.remaining() >= 4) {
            PortAddress top = portAddress(in, in.u16BigEndian("TargetPortAddressTop"), "TargetPortAddressTop");
            PortAddress bottom = portAddress(in, in.u16BigEndian("TargetPortAddressBottom"), "TargetPortAddressBottom");
            target = Optional.of(new ArtPoll.Target(bottom, top));
            if (in.remaining() >= 4) {
                sender = Optional.of(new ArtPoll.Sender(in.u16BigEndian("EstaMan"), in.u16BigEndian("Oem")));
            }
        }
        rest(in, tolerated);
        return new ArtPoll(flags, priority, target, sender);
    }

    static PortAddress portAddress(WireReader in, int value, String field) throws Malformed {
        if (value > PortAddress.LAST) {
            throw in.wrong(field, 2, "is " + value + "; a Port-Address has 15 bits");
        }
        return new PortAddress(value);
    }

    private static ArtNetPacket readDmx(WireReader in, List<String> tolerated) throws Malformed {
        int sequence = in.u8("Sequence");
        int physical = in.u8("Physical");
        PortAddress address = portAddress(in, in.u16LittleEndian("SubUni, Net"), "SubUni, Net");
        int length = in.u16BigEndian("Length");
        if (length < 1 || length > 512) {
            throw in.wrong("Length", 2, "is " + length + "; it is an even number from 2 to 512");
        }
        Bytes data = in.bytes("Data", length);
        if (length % 2 != 0) {
            tolerated.add(
                    "Length is " + length + "; it is an even number (Art-Net 4, ArtDmx), so a slot at 0 is added");
            data = Bytes.of(Arrays.copyOf(data.toArray(), length + 1));
        }
        rest(in, tolerated);
        return new ArtDmx(sequence, physical, address, data);
    }

    private static ArtNetPacket readSync(WireReader in, List<String> tolerated) throws Malformed {
        ArtSync sync = new ArtSync(in.u8("Aux1"), in.u8("Aux2"));
        rest(in, tolerated);
        return sync;
    }

    private static ArtNetPacket readReply(WireReader in, List<String> tolerated) throws Malformed {
        Ipv4Address address = new Ipv4Address(in.i32BigEndian("IpAddress"));
        int port = in.u16LittleEndian("Port");
        int version = in.u16BigEndian("VersInfo");
        int net = upTo(in, "NetSwitch", 127);
        int subNet = upTo(in, "SubSwitch", 15);
        int oem = in.u16BigEndian("Oem");
        int ubea = in.u8("UbeaVersion");
        int status1 = in.u8("Status1");
        int esta = in.u16LittleEndian("EstaMan");
        String portName = in.fixedText("PortName", SHORT_TEXT_LENGTH, tolerated, NAMES);
        String longName = in.fixedText("LongName", LONG_TEXT_LENGTH, tolerated, NAMES);
        String report = in.fixedText("NodeReport", LONG_TEXT_LENGTH, tolerated, NAMES);
        int ports = in.u16BigEndian("NumPorts");
        if (ports > ArtPollReply.PORTS) {
            tolerated.add(
                    "NumPorts is " + ports + "; a page has at most four (Art-Net 4, ArtPollReply), so four are read");
            ports = ArtPollReply.PORTS;
        }
        Bytes portTypes = in.bytes("PortTypes", 4);
        Bytes goodInput = in.bytes("GoodInput", 4);
        Bytes goodOutput = in.bytes("GoodOutputA", 4);
        Bytes swIn = in.bytes("SwIn", 4);
        Bytes swOut = in.bytes("SwOut", 4);
        int acnPriority = in.u8("AcnPriority");
        int macro = in.u8("SwMacro");
        int remote = in.u8("SwRemote");
        in.skip("Spare", 3);
        int style = in.u8("Style");
        Bytes mac = in.bytes("MAC", 6);
        if (in.remaining() > 0 && in.remaining() < 32) {
            tolerated.add("a short reply of an earlier version");
        } else if (in.remaining() == 0) {
            tolerated.add("the oldest reply, without what follows MAC");
        }
        Ipv4Address bind = in.remaining() >= 4 ? new Ipv4Address(in.i32BigEndian("BindIp")) : new Ipv4Address(0);
        int bindIndex = in.remaining() >= 1 ? in.u8("BindIndex") : 0;
        int status2 = in.remaining() >= 1 ? in.u8("Status2") : 0;
        Bytes goodOutputB = in.remaining() >= 4 ? in.bytes("GoodOutputB", 4) : Bytes.zeros(4);
        int status3 = in.remaining() >= 1 ? in.u8("Status3") : 0;
        byte[] rest = new byte[ArtPollReply.REST];
        for (int i = 0; i < rest.length && in.remaining() > 0; i++) {
            rest[i] = (byte) in.u8("Filler");
        }
        rest(in, tolerated);
        return new ArtPollReply(
                address,
                port,
                version,
                net,
                subNet,
                oem,
                ubea,
                status1,
                esta,
                portName,
                longName,
                report,
                ports,
                portTypes,
                goodInput,
                goodOutput,
                swIn,
                swOut,
                acnPriority,
                macro,
                remote,
                style,
                mac,
                bind,
                bindIndex,
                status2,
                goodOutputB,
                status3,
                Bytes.of(rest));
    }

    static int upTo(WireReader in, String field, int last) throws Malformed {
        int value = in.u8(field);
        if (value > last) {
            throw in.wrong(field, 1, "is " + value + ", above " + last);
        }
        return value;
    }
}
