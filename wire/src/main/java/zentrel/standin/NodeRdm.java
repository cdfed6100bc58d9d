package zentrel.standin;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import zentrel.packet.Bytes;
import zentrel.packet.WireWriter;
import zentrel.packet.rdm.RdmMessage;

/** Answers for the RDM fixtures on the outputs of a stand-in (ANSI E1.20). */
final class NodeRdm {
    private static final int UNKNOWN_PID = 0x0000;
    private static final int DATA_OUT_OF_RANGE = 0x0006;
    private static final int WRONG_CLASS = 0x0005;
    private static final int PROTOCOL_VERSION = 0x0100;
    private static final int LAST_SLOT = 512;

    private final Map<String, List<RdmFixture>> fixtures;
    private final Consumer<String> told;

    /** @param told gets what was set, in words */
    NodeRdm(Map<String, List<RdmFixture>> fixtures, Consumer<String> told) {
        this.fixtures = fixtures;
        this.told = told;
    }

    List<RdmFixture> on(String port) {
        return fixtures.getOrDefault(port, List.of());
    }

    /** The answer of the fixture on a port that a message is for; empty where none is. */
    Optional<RdmMessage> answer(String port, RdmMessage asked) {
        return on(port).stream()
                .filter(f -> f.uid().equals(asked.destination()))
                .findFirst()
                .map(f -> answer(f, asked));
    }

    private RdmMessage answer(RdmFixture fixture, RdmMessage asked) {
        return switch (asked.commandClass()) {
            case RdmMessage.GET -> get(fixture, asked);
            case RdmMessage.SET -> set(fixture, asked);
            default -> refused(asked, WRONG_CLASS);
        };
    }

    private static RdmMessage refused(RdmMessage asked, int reason) {
        return asked.answer(
                RdmMessage.NACK, Bytes.of(new WireWriter().u16BigEndian(reason).toArray()));
    }

    private static RdmMessage get(RdmFixture fixture, RdmMessage asked) {
        WireWriter data = new WireWriter();
        switch (asked.parameter()) {
            case RdmMessage.DEVICE_INFO ->
                data.u16BigEndian(PROTOCOL_VERSION)
                        .u16BigEndian(fixture.modelId())
                        .u16BigEndian(0x0101) // product category: fixture, fixed
                        .i32BigEndian(1)
                        .u16BigEndian(fixture.footprint())
                        .u8(1)
                        .u8(1)
                        .u16BigEndian(fixture.start())
                        .u16BigEndian(0)
                        .u8(0);
            case RdmMessage.DEVICE_MODEL_DESCRIPTION -> data.raw(text(fixture.model()));
            case RdmMessage.MANUFACTURER_LABEL -> data.raw(text(fixture.manufacturer()));
            case RdmMessage.DMX_START_ADDRESS -> data.u16BigEndian(fixture.start());
            case RdmMessage.IDENTIFY_DEVICE -> data.u8(fixture.identifies() ? 1 : 0);
            default -> {
                return refused(asked, UNKNOWN_PID);
            }
        }
        return asked.answer(RdmMessage.ACK, Bytes.of(data.toArray()));
    }

    private static byte[] text(String words) {
        return words.getBytes(StandardCharsets.US_ASCII);
    }

    private RdmMessage set(RdmFixture fixture, RdmMessage asked) {
        Bytes data = asked.data();
        if (asked.parameter() == RdmMessage.DMX_START_ADDRESS && data.length() == 2) {
            int slot = data.at(0) << 8 | data.at(1);
            if (slot < 1 || slot > LAST_SLOT) {
                return refused(asked, DATA_OUT_OF_RANGE);
            }
            fixture.setStart(slot);
            told.accept("start slot " + slot + " of " + fixture.uid());
            return asked.answer(RdmMessage.ACK, Bytes.EMPTY);
        }
        if (asked.parameter() == RdmMessage.IDENTIFY_DEVICE && data.length() == 1) {
            fixture.setIdentifies(data.at(0) != 0);
            told.accept(fixture.uid() + (data.at(0) != 0 ? " shows itself" : " stops showing itself"));
            return asked.answer(RdmMessage.ACK, Bytes.EMPTY);
        }
        return refused(asked, UNKNOWN_PID);
    }
}
