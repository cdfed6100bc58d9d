package zentrel.packet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import zentrel.ipv4.Ipv4Address;
import zentrel.packet.artnet.ArtAddress;
import zentrel.packet.artnet.ArtDmx;
import zentrel.packet.artnet.ArtIpProg;
import zentrel.packet.artnet.ArtIpProgReply;
import zentrel.packet.artnet.ArtNetPacket;
import zentrel.packet.artnet.ArtNzs;
import zentrel.packet.artnet.ArtPoll;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.packet.artnet.ArtRdm;
import zentrel.packet.artnet.ArtSync;
import zentrel.packet.artnet.ArtTodControl;
import zentrel.packet.artnet.ArtTodData;
import zentrel.packet.artnet.ArtTodRequest;
import zentrel.packet.osc.OscArgument;
import zentrel.packet.osc.OscBundle;
import zentrel.packet.osc.OscMessage;
import zentrel.packet.osc.OscPacket;
import zentrel.packet.rdm.RdmMessage;
import zentrel.packet.rdm.Uid;
import zentrel.packet.sacn.SacnData;
import zentrel.packet.sacn.SacnDiscovery;
import zentrel.packet.sacn.SacnPacket;
import zentrel.packet.sacn.SacnSync;
import zentrel.universe.PortAddress;

/** Seeded random packets of every kind, corners included. */
public final class Samples {
    private Samples() {}

    public static Bytes bytes(Random random, int length) {
        byte[] bytes = new byte[length];
        random.nextBytes(bytes);
        return Bytes.of(bytes);
    }

    private static String text(Random random, int most) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < random.nextInt(most + 1); i++) {
            text.append("aZ09 -é€".charAt(random.nextInt(8)));
        }
        return text.toString();
    }

    public static ArtNetPacket artnet(Random random) {
        return switch (random.nextInt(12)) {
            case 0 -> {
                Optional<ArtPoll.Target> target = random.nextBoolean()
                        ? Optional.of(new ArtPoll.Target(
                                new PortAddress(random.nextInt(32768)), new PortAddress(random.nextInt(32768))))
                        : Optional.empty();
                yield new ArtPoll(
                        random.nextInt(256),
                        random.nextInt(256),
                        target,
                        target.isPresent() && random.nextBoolean()
                                ? Optional.of(new ArtPoll.Sender(random.nextInt(65536), random.nextInt(65536)))
                                : Optional.empty());
            }
            case 1 -> reply(random);
            case 2 ->
                new ArtDmx(
                        random.nextInt(256),
                        random.nextInt(256),
                        new PortAddress(random.nextInt(32768)),
                        bytes(random, 2 + 2 * random.nextInt(256)));
            case 3 -> new ArtSync(random.nextInt(256), random.nextInt(256));
            case 4 ->
                new ArtNzs(
                        random.nextInt(256),
                        random.nextInt(256),
                        new PortAddress(random.nextInt(32768)),
                        bytes(random, 1 + random.nextInt(512)));
            case 5 ->
                new ArtAddress(
                        random.nextInt(256),
                        random.nextInt(256),
                        text(random, 5),
                        text(random, 20),
                        bytes(random, 4),
                        bytes(random, 4),
                        random.nextInt(256),
                        random.nextInt(256),
                        random.nextInt(256));
            case 6 ->
                new ArtIpProg(
                        random.nextInt(256),
                        new Ipv4Address(random.nextInt()),
                        new Ipv4Address(random.nextInt()),
                        random.nextInt(65536),
                        new Ipv4Address(random.nextInt()));
            case 7 ->
                new ArtIpProgReply(
                        new Ipv4Address(random.nextInt()),
                        new Ipv4Address(random.nextInt()),
                        random.nextInt(65536),
                        random.nextInt(256),
                        new Ipv4Address(random.nextInt()));
            case 8 ->
                new ArtTodRequest(
                        random.nextInt(128),
                        random.ints(random.nextInt(33), 0, 256).boxed().toList());
            case 9 -> new ArtTodControl(random.nextInt(256), new PortAddress(random.nextInt(32768)));
            case 10 ->
                new ArtTodData(
                        random.nextInt(256),
                        random.nextInt(256),
                        random.nextInt(256),
                        new PortAddress(random.nextInt(32768)),
                        random.nextInt(65536),
                        random.nextInt(256),
                        random.ints(random.nextInt(201))
                                .mapToObj(device -> new Uid(0x7FF0, device))
                                .toList());
            default -> new ArtRdm(new PortAddress(random.nextInt(32768)), rdm(random));
        };
    }

    public static RdmMessage rdm(Random r) {
        return new RdmMessage(
                new Uid(r.nextInt(65536), r.nextInt()),
                new Uid(r.nextInt(65536), r.nextInt()),
                r.nextInt(256),
                r.nextInt(256),
                r.nextInt(256),
                r.nextInt(65536),
                r.nextInt(256),
                r.nextInt(65536),
                bytes(r, r.nextInt(RdmMessage.MOST_DATA + 1)));
    }

    public static ArtPollReply reply(Random r) {
        return new ArtPollReply(
                new Ipv4Address(r.nextInt()),
                r.nextInt(65536),
                r.nextInt(65536),
                r.nextInt(128),
                r.nextInt(16),
                r.nextInt(65536),
                r.nextInt(256),
                r.nextInt(256),
                r.nextInt(65536),
                text(r, 5),
                text(r, 20),
                text(r, 20),
                r.nextInt(5),
                bytes(r, 4),
                bytes(r, 4),
                bytes(r, 4),
                bytes(r, 4),
                bytes(r, 4),
                r.nextInt(256),
                r.nextInt(256),
                r.nextInt(256),
                r.nextInt(256),
                bytes(r, 6),
                new Ipv4Address(r.nextInt()),
                r.nextInt(256),
                r.nextInt(256),
                bytes(r, 4),
                r.nextInt(256),
                bytes(r, ArtPollReply.REST));
    }

    public static SacnPacket sacn(Random r) {
        UUID cid = new UUID(r.nextLong(), r.nextLong());
        return switch (r.nextInt(3)) {
            case 0 ->
                new SacnData(
                        cid,
                        text(r, 20),
                        r.nextInt(201),
                        r.nextInt(64000),
                        r.nextInt(256),
                        r.nextBoolean(),
                        r.nextBoolean(),
                        r.nextBoolean(),
                        1 + r.nextInt(63999),
                        r.nextInt(256),
                        bytes(r, r.nextInt(513)));
            case 1 -> new SacnSync(cid, r.nextInt(256), 1 + r.nextInt(63999));
            default -> {
                List<Integer> universes = new ArrayList<>();
                for (int i = 0; i < r.nextInt(513); i++) {
                    universes.add(1 + r.nextInt(63999));
                }
                int page = r.nextInt(256);
                yield new SacnDiscovery(cid, text(r, 20), page, page + r.nextInt(256 - page), universes);
            }
        };
    }

    public static OscPacket osc(Random r, int depth) {
        if (depth < 4 && r.nextInt(4) == 0) {
            List<OscPacket> elements = new ArrayList<>();
            for (int i = 0; i < r.nextInt(4); i++) {
                elements.add(osc(r, depth + 1));
            }
            return new OscBundle(r.nextLong(), elements);
        }
        List<OscArgument> arguments = new ArrayList<>();
        for (int i = 0; i < r.nextInt(6); i++) {
            arguments.add(argument(r, 0));
        }
        return new OscMessage("/" + text(r, 9), arguments);
    }

    private static OscArgument argument(Random r, int depth) {
        return switch (r.nextInt(depth < 3 ? 15 : 14)) {
            case 0 -> new OscArgument.Int32(r.nextInt());
            case 1 -> new OscArgument.Float32(r.nextFloat());
            case 2 -> new OscArgument.Text(text(r, 9));
            case 3 -> new OscArgument.Symbol(text(r, 9));
            case 4 -> new OscArgument.Blob(bytes(r, r.nextInt(9)));
            case 5 -> new OscArgument.Int64(r.nextLong());
            case 6 -> new OscArgument.TimeTag(r.nextLong());
            case 7 -> new OscArgument.Float64(r.nextDouble());
            case 8 -> new OscArgument.Letter(r.nextInt(128));
            case 9 -> new OscArgument.Colour(r.nextInt());
            case 10 -> new OscArgument.Midi(r.nextInt());
            case 11 -> new OscArgument.Bool(r.nextBoolean());
            case 12 -> new OscArgument.Nil();
            case 13 -> new OscArgument.Infinitum();
            default -> new OscArgument.Group(List.of(argument(r, depth + 1), argument(r, depth + 1)));
        };
    }
}
