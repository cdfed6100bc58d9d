package zentrel.packet.artnet;

import java.util.ArrayList;
import java.util.List;
import zentrel.packet.WireReader;
import zentrel.packet.WireReader.Malformed;
import zentrel.packet.WireWriter;
import zentrel.packet.rdm.RdmCodec;
import zentrel.packet.rdm.Uid;
import zentrel.universe.PortAddress;

/** The packets of Art-Net that carry RDM: bodies after ProtVer, to bytes and back. */
final class ArtRdmCodec {
    private static final int RDM_VERSION = 1;
    private static final int SPARE = 7;

    private ArtRdmCodec() {}

    private static int low(PortAddress address) {
        return address.value() & 0xFF;
    }

    private static PortAddress joined(WireReader in, int net, int low, String field) throws Malformed {
        return ArtNetCodec.portAddress(in, net << 8 | low, field);
    }

    static void todRequest(WireWriter w, ArtTodRequest r) {
        w.zeros(2 + SPARE).u8(r.net()).u8(0).u8(r.addresses().size());
        r.addresses().forEach(w::u8);
        w.zeros(ArtTodRequest.MOST - r.addresses().size()); // the field has a fixed length
    }

    static ArtTodRequest readTodRequest(WireReader in, List<String> tolerated) throws Malformed {
        in.skip("Filler, Spare", 2 + SPARE);
        int net = ArtNetCodec.upTo(in, "Net", 127);
        in.skip("Command", 1);
        int count = ArtNetCodec.upTo(in, "AddCount", ArtTodRequest.MOST);
        List<Integer> addresses = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            addresses.add(in.u8("Address"));
        }
        int filling = ArtTodRequest.MOST - count;
        if (in.remaining() < filling) {
            tolerated.add("Address has " + (count + in.remaining()) + " bytes; it has 32 (Art-Net 4, ArtTodRequest)");
            in.skip("Address", in.remaining());
        } else {
            in.skip("Address", filling);
        }
        ArtNetCodec.rest(in, tolerated);
        return new ArtTodRequest(net, addresses);
    }

    static void todControl(WireWriter w, ArtTodControl c) {
        w.zeros(2 + SPARE).u8(c.portAddress().value() >> 8).u8(c.command()).u8(low(c.portAddress()));
    }

    static ArtTodControl readTodControl(WireReader in, List<String> tolerated) throws Malformed {
        in.skip("Filler, Spare", 2 + SPARE);
        int net = in.u8("Net");
        int command = in.u8("Command");
        ArtTodControl read = new ArtTodControl(command, joined(in, net, in.u8("Address"), "Net, Address"));
        ArtNetCodec.rest(in, tolerated);
        return read;
    }

    static void todData(WireWriter w, ArtTodData d) {
        w.u8(RDM_VERSION)
                .u8(d.port())
                .zeros(6)
                .u8(d.bindIndex())
                .u8(d.portAddress().value() >> 8);
        w.u8(d.response()).u8(low(d.portAddress())).u16BigEndian(d.total()).u8(d.block());
        w.u8(d.uids().size());
        d.uids().forEach(u -> RdmCodec.uid(w, u));
    }

    static ArtTodData readTodData(WireReader in, List<String> tolerated) throws Malformed {
        in.skip("RdmVer", 1);
        int port = in.u8("Port");
        in.skip("Spare", 6);
        int bind = in.u8("BindIndex");
        int net = in.u8("Net");
        int response = in.u8("CommandResponse");
        PortAddress address = joined(in, net, in.u8("Address"), "Net, Address");
        int total = in.u16BigEndian("UidTotal");
        int block = in.u8("BlockCount");
        int count = ArtNetCodec.upTo(in, "UidCount", ArtTodData.MOST);
        List<Uid> uids = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            uids.add(RdmCodec.uid(in, "ToD"));
        }
        ArtNetCodec.rest(in, tolerated);
        return new ArtTodData(port, bind, response, address, total, block, uids);
    }

    static void rdm(WireWriter w, ArtRdm r) {
        w.u8(RDM_VERSION)
                .zeros(1 + SPARE)
                .u8(r.portAddress().value() >> 8)
                .u8(0)
                .u8(low(r.portAddress()));
        RdmCodec.write(w, r.message());
    }

    static ArtRdm readRdm(WireReader in, List<String> tolerated) throws Malformed {
        in.skip("RdmVer, Filler, Spare", 2 + SPARE);
        int net = in.u8("Net");
        in.skip("Command", 1);
        PortAddress address = joined(in, net, in.u8("Address"), "Net, Address");
        ArtRdm read = new ArtRdm(address, RdmCodec.read(in));
        ArtNetCodec.rest(in, tolerated);
        return read;
    }
}
