package zentrel.packet.artnet;

import java.util.List;
import zentrel.ipv4.Ipv4Address;
import zentrel.packet.Bytes;
import zentrel.packet.WireReader;
import zentrel.packet.WireReader.Malformed;
import zentrel.packet.WireWriter;

/** The packets by which a node is set: bodies after ProtVer, to bytes and back. */
final class ArtSettingCodec {
    private static final String NAMES = "Art-Net 4, ArtAddress,";

    private ArtSettingCodec() {}

    static void address(WireWriter w, ArtAddress a) {
        w.u8(a.netSwitch()).u8(a.bindIndex());
        w.fixedText(a.shortName(), ArtNetCodec.SHORT_TEXT_LENGTH).fixedText(a.longName(), ArtNetCodec.LONG_TEXT_LENGTH);
        w.bytes(a.swIn()).bytes(a.swOut()).u8(a.subSwitch()).u8(a.acnPriority()).u8(a.command());
    }

    static ArtAddress readAddress(WireReader in, List<String> tolerated) throws Malformed {
        int net = in.u8("NetSwitch");
        int bind = in.u8("BindIndex");
        String shortName = in.fixedText("PortName", ArtNetCodec.SHORT_TEXT_LENGTH, tolerated, NAMES);
        String longName = in.fixedText("LongName", ArtNetCodec.LONG_TEXT_LENGTH, tolerated, NAMES);
        Bytes swIn = in.bytes("SwIn", ArtPollReply.PORTS);
        Bytes swOut = in.bytes("SwOut", ArtPollReply.PORTS);
        ArtAddress read = new ArtAddress(
                net,
                bind,
                shortName,
                longName,
                swIn,
                swOut,
                in.u8("SubSwitch"),
                in.u8("AcnPriority"),
                in.u8("Command"));
        ArtNetCodec.rest(in, tolerated);
        return read;
    }

    static void ipProg(WireWriter w, ArtIpProg p) {
        w.zeros(2).u8(p.command()).zeros(1);
        w.i32BigEndian(p.address().bits()).i32BigEndian(p.mask().bits()).u16BigEndian(p.port());
        w.i32BigEndian(p.gateway().bits()).zeros(4);
    }

    static ArtIpProg readIpProg(WireReader in, List<String> tolerated) throws Malformed {
        in.skip("Filler", 2);
        int command = in.u8("Command");
        in.skip("Filler4", 1);
        Ipv4Address address = new Ipv4Address(in.i32BigEndian("ProgIp"));
        Ipv4Address mask = new Ipv4Address(in.i32BigEndian("ProgSm"));
        int port = in.u16BigEndian("ProgPort");
        Ipv4Address gateway = new Ipv4Address(in.i32BigEndian("ProgDg"));
        in.skip("Spare", 4);
        ArtNetCodec.rest(in, tolerated);
        return new ArtIpProg(command, address, mask, port, gateway);
    }

    static void ipProgReply(WireWriter w, ArtIpProgReply r) {
        w.zeros(4).i32BigEndian(r.address().bits()).i32BigEndian(r.mask().bits());
        w.u16BigEndian(r.port()).u8(r.status()).zeros(1);
        w.i32BigEndian(r.gateway().bits()).zeros(2);
    }

    static ArtIpProgReply readIpProgReply(WireReader in, List<String> tolerated) throws Malformed {
        in.skip("Filler", 4);
        Ipv4Address address = new Ipv4Address(in.i32BigEndian("ProgIp"));
        Ipv4Address mask = new Ipv4Address(in.i32BigEndian("ProgSm"));
        int port = in.u16BigEndian("ProgPort");
        int status = in.u8("Status");
        in.skip("Spare2", 1);
        Ipv4Address gateway = new Ipv4Address(in.i32BigEndian("ProgDg"));
        in.skip("Spare", 2);
        ArtNetCodec.rest(in, tolerated);
        return new ArtIpProgReply(address, mask, port, status, gateway);
    }

    static void nzs(WireWriter w, ArtNzs n) {
        w.u8(n.sequence()).u8(n.startCode()).u16LittleEndian(n.portAddress().value());
        w.u16BigEndian(n.data().length()).bytes(n.data());
    }

    static ArtNzs readNzs(WireReader in, List<String> tolerated) throws Malformed {
        int sequence = in.u8("Sequence");
        int startCode = in.u8("StartCode");
        var address = ArtNetCodec.portAddress(in, in.u16LittleEndian("SubUni, Net"), "SubUni, Net");
        int length = in.u16BigEndian("Length");
        if (length < 1 || length > 512) {
            throw in.wrong("Length", 2, "is " + length + "; it goes from 1 to 512");
        }
        ArtNzs read = new ArtNzs(sequence, startCode, address, in.bytes("Data", length));
        ArtNetCodec.rest(in, tolerated);
        return read;
    }
}
