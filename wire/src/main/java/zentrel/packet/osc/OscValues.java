package zentrel.packet.osc;

import java.util.List;
import zentrel.control.MessageTemplate;
import zentrel.control.OscValue;

/** Messages as templates make them, to packets and back. */
public final class OscValues {
    private OscValues() {}

    /** The packet of a message. */
    public static OscMessage message(MessageTemplate.Filled filled) {
        return new OscMessage(
                filled.address(),
                filled.values().stream().map(OscValues::argument).toList());
    }

    private static OscArgument argument(OscValue value) {
        if (value instanceof OscValue.Whole w) {
            return new OscArgument.Int32(w.value());
        } else if (value instanceof OscValue.Decimal d) {
            return new OscArgument.Float32(d.value());
        } else if (value instanceof OscValue.Switch s) {
            return new OscArgument.Bool(s.value());
        }
        return new OscArgument.Text(((OscValue.Text) value).value());
    }

    /** The arguments of a message; those of other types as text. */
    public static List<OscValue> of(OscMessage message) {
        return message.arguments().stream().map(OscValues::value).toList();
    }

    private static OscValue value(OscArgument argument) {
        if (argument instanceof OscArgument.Int32 a) {
            return new OscValue.Whole(a.value());
        } else if (argument instanceof OscArgument.Float32 a) {
            return new OscValue.Decimal(a.value());
        } else if (argument instanceof OscArgument.Float64 a) {
            return new OscValue.Decimal((float) a.value());
        } else if (argument instanceof OscArgument.Int64 a) {
            return new OscValue.Text(String.valueOf(a.value()));
        } else if (argument instanceof OscArgument.Bool a) {
            return new OscValue.Switch(a.value());
        } else if (argument instanceof OscArgument.Text a) {
            return new OscValue.Text(a.value());
        } else if (argument instanceof OscArgument.Symbol a) {
            return new OscValue.Text(a.value());
        }
        return new OscValue.Text(argument.toString());
    }
}
