package zentrel.app.cues;

import java.util.ArrayList;
import java.util.List;
import zentrel.control.MessageTemplate;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscValues;

/** A message as it will be sent, in lines of eight bytes with their characters beside them. */
final class MessageBytes {
    private static final int PER_LINE = 8;
    private static final int MOST_LINES = 16;

    private MessageBytes() {}

    /** The lines; what is longer ends with how long it is. */
    static List<String> lines(MessageTemplate.Filled message) {
        byte[] bytes = OscCodec.encode(OscValues.message(message));
        List<String> lines = new ArrayList<>();
        for (int at = 0; at < bytes.length && lines.size() < MOST_LINES; at += PER_LINE) {
            StringBuilder hex = new StringBuilder();
            StringBuilder text = new StringBuilder();
            for (int i = at; i < at + PER_LINE; i++) {
                hex.append(i < bytes.length ? "%02x ".formatted(bytes[i]) : "   ");
                if (i < bytes.length) {
                    text.append(bytes[i] > ' ' && bytes[i] < 127 ? (char) bytes[i] : '·');
                }
            }
            lines.add(hex + " " + text);
        }
        if (bytes.length > MOST_LINES * PER_LINE) {
            lines.add("… " + bytes.length + " bytes");
        }
        return lines;
    }
}
