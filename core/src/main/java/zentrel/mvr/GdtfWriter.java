package zentrel.mvr;

import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import zentrel.plan.FixtureMode;
import zentrel.plan.FixtureType;

/**
 * Writes a fixture type as a GDTF file 1.2 (DIN SPEC 15800): its modes and slots on one geometry. A slot of which nothing is known
 * is a channel without function of its own.
 */
public final class GdtfWriter {
    private static final String NOTHING_KNOWN = "NoFeature";
    private static final String BODY = "Body";

    private GdtfWriter() {}

    /** A channel: what it does, and its slots from the most to the least significant. */
    private record Channel(int part, String function, List<Integer> slots) {}

    /** The bytes of the file. */
    public static byte[] write(FixtureType type) {
        return MvrWriter.zip(Map.of("description.xml", description(type)));
    }

    private static byte[] description(FixtureType type) {
        StringWriter text = new StringWriter();
        try {
            XMLStreamWriter xml = XMLOutputFactory.newDefaultFactory().createXMLStreamWriter(text);
            xml.writeStartDocument("UTF-8", "1.0");
            start(xml, "GDTF", "DataVersion", "1.2");
            start(
                    xml,
                    "FixtureType",
                    "Name",
                    type.name(),
                    "ShortName",
                    type.name(),
                    "LongName",
                    type.name(),
                    "Manufacturer",
                    type.maker(),
                    "Description",
                    "",
                    "FixtureTypeID",
                    UUID.nameUUIDFromBytes((type.maker() + "@" + type.name()).getBytes(StandardCharsets.UTF_8))
                            .toString()
                            .toUpperCase(Locale.ROOT));
            attributes(xml, type);
            start(xml, "Geometries");
            empty(xml, "Geometry", "Name", BODY);
            xml.writeEndElement();
            start(xml, "DMXModes");
            for (FixtureMode mode : type.modes()) {
                mode(xml, mode);
            }
            for (int level = 0; level < 3; level++) {
                xml.writeEndElement();
            }
            xml.writeEndDocument();
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e); // it is written into memory
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static void attributes(XMLStreamWriter xml, FixtureType type) throws XMLStreamException {
        start(xml, "AttributeDefinitions");
        start(xml, "FeatureGroups");
        start(xml, "FeatureGroup", "Name", "Control", "Pretty", "Control");
        empty(xml, "Feature", "Name", "Control");
        xml.writeEndElement();
        xml.writeEndElement();
        start(xml, "Attributes");
        Map<String, String> all = new LinkedHashMap<>();
        type.modes().forEach(m -> channels(m).forEach(c -> all.put(attribute(c.function()), c.function())));
        for (Map.Entry<String, String> each : all.entrySet()) {
            empty(xml, "Attribute", "Name", each.getKey(), "Pretty", each.getValue(), "Feature", "Control.Control");
        }
        xml.writeEndElement();
        xml.writeEndElement();
    }

    private static void mode(XMLStreamWriter xml, FixtureMode mode) throws XMLStreamException {
        start(xml, "DMXMode", "Name", mode.name(), "Geometry", BODY);
        start(xml, "DMXChannels");
        for (Channel channel : channels(mode)) {
            String attribute = attribute(channel.function());
            start(
                    xml,
                    "DMXChannel",
                    "DMXBreak",
                    String.valueOf(channel.part()),
                    "Offset",
                    channel.slots().stream().map(String::valueOf).collect(Collectors.joining(",")),
                    "Geometry",
                    BODY);
            start(xml, "LogicalChannel", "Attribute", attribute);
            empty(xml, "ChannelFunction", "Attribute", attribute, "DMXFrom", "0/1");
            xml.writeEndElement();
            xml.writeEndElement();
        }
        xml.writeEndElement();
        xml.writeEndElement();
    }

    /** A slot that is the finer half of the one before belongs to its channel. */
    private static List<Channel> channels(FixtureMode mode) {
        List<Channel> channels = new ArrayList<>();
        for (int part = 0; part < mode.parts().size(); part++) {
            String before = "";
            for (int i = 0; i < mode.parts().get(part).size(); i++) {
                String slot = mode.parts().get(part).get(i);
                if (!before.isEmpty() && slot.equals(before + FixtureMode.FINE)) {
                    channels.get(channels.size() - 1).slots().add(i + 1);
                } else {
                    channels.add(new Channel(part + 1, slot, new ArrayList<>(List.of(i + 1))));
                }
                before = slot;
            }
        }
        return channels;
    }

    private static String attribute(String function) {
        return function.isEmpty() ? NOTHING_KNOWN : GdtfReader.attribute(function);
    }

    private static void start(XMLStreamWriter xml, String name, String... attributes) throws XMLStreamException {
        xml.writeStartElement(name);
        write(xml, attributes);
    }

    private static void empty(XMLStreamWriter xml, String name, String... attributes) throws XMLStreamException {
        xml.writeEmptyElement(name);
        write(xml, attributes);
    }

    private static void write(XMLStreamWriter xml, String... attributes) throws XMLStreamException {
        for (int i = 0; i < attributes.length; i += 2) {
            xml.writeAttribute(attributes[i], attributes[i + 1]);
        }
    }
}
