package zentrel.mvr;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import zentrel.plan.FixtureMode;
import zentrel.plan.FixtureType;
import zentrel.plan.Kind;
import zentrel.plan.PatchRow;
import zentrel.plan.PatchRow.SlotRun;
import zentrel.plan.Position;
import zentrel.plan.Universe;

/** Writes fixtures as a scene (MVR 1.6, DIN SPEC 15801), each type as a GDTF file in it. The same fixtures give the same bytes. */
public final class MvrWriter {
    private static final String TYPE_FILE = ".gdtf";

    /** The date of all parts, the earliest that the format of archives knows, so that equal scenes are equal files. */
    private static final LocalDateTime DATE = LocalDateTime.of(1980, 1, 1, 0, 0);

    private final List<PatchRow> rows;
    private final Map<String, FixtureType> types = new LinkedHashMap<>();

    private MvrWriter(List<PatchRow> rows, List<FixtureType> known) {
        this.rows = rows;
        for (PatchRow row : rows) {
            String key = plain(row.type());
            FixtureType type = types.get(key);
            if (type == null) {
                type = known.stream()
                        .filter(t -> FixtureType.sameName(t.name(), row.type()))
                        .findFirst()
                        .orElse(null);
            }
            Optional<FixtureMode> missing =
                    type != null && modeOf(type, row).isPresent() ? Optional.empty() : made(row);
            if (type == null) {
                type = missing.map(m -> new FixtureType(Kind.FIXTURE_TYPE.id("type"), key, "", List.of(m)))
                        .orElse(null);
            } else if (missing.isPresent()) {
                List<FixtureMode> modes = new ArrayList<>(type.modes());
                modes.add(missing.get());
                type = type.withModes(modes);
            }
            if (type != null) {
                types.put(key, type);
            }
        }
    }

    private static String plain(String type) {
        return type.isBlank() ? "Fixture" : type;
    }

    /** The mode that a fixture names; where it names none, one of as many slots. */
    private static Optional<FixtureMode> modeOf(FixtureType type, PatchRow row) {
        if (!row.mode().isEmpty()) {
            return type.mode(row.mode());
        }
        List<Integer> footprints = row.runs().stream().map(SlotRun::footprint).toList();
        return type.modes().stream()
                .filter(m -> m.parts().stream().map(List::size).toList().equals(footprints))
                .findFirst();
    }

    /** Of a mode of which only the footprint is known. */
    private static Optional<FixtureMode> made(PatchRow row) {
        List<List<String>> parts = row.runs().stream()
                .filter(r -> r.footprint() > 0 && r.footprint() <= Universe.SLOTS)
                .map(r -> java.util.Collections.nCopies(r.footprint(), ""))
                .toList();
        String name = row.mode().isEmpty()
                ? parts.stream().map(p -> String.valueOf(p.size())).collect(Collectors.joining(" + ")) + " slots"
                : row.mode(); // one that is divided otherwise is another mode
        return parts.isEmpty() ? Optional.empty() : Optional.of(new FixtureMode(name, parts));
    }

    /**
     * Writes a scene.
     *
     * @param known types whose modes and slots are known; of others the footprint is written
     */
    public static byte[] write(List<PatchRow> rows, List<FixtureType> known) {
        return new MvrWriter(rows, known).all();
    }

    private byte[] all() {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        parts.put("GeneralSceneDescription.xml", scene());
        types.forEach((key, type) -> parts.put(file(key), GdtfWriter.write(type)));
        return zip(parts);
    }

    static byte[] zip(Map<String, byte[]> parts) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes, StandardCharsets.UTF_8)) {
            for (Map.Entry<String, byte[]> part : parts.entrySet()) {
                ZipEntry entry = new ZipEntry(part.getKey());
                entry.setTimeLocal(DATE);
                zip.putNextEntry(entry);
                zip.write(part.getValue());
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e); // it is written into memory
        }
        return bytes.toByteArray();
    }

    private String file(String type) {
        FixtureType known = types.get(plain(type));
        String maker = known == null || known.maker().isEmpty() ? "Custom" : known.maker();
        return (maker + "@" + plain(type)).replaceAll("[^\\p{L}\\p{N}@ ._-]+", "-") + TYPE_FILE;
    }

    /** The same name for the same thing in every file that is written. */
    private static String uuid(String of) {
        return UUID.nameUUIDFromBytes(("zentrel " + of).getBytes(StandardCharsets.UTF_8))
                .toString()
                .toUpperCase(Locale.ROOT);
    }

    private byte[] scene() {
        StringWriter text = new StringWriter();
        try {
            XMLStreamWriter xml = XMLOutputFactory.newDefaultFactory().createXMLStreamWriter(text);
            xml.writeStartDocument("UTF-8", "1.0");
            xml.writeStartElement("GeneralSceneDescription");
            xml.writeAttribute("verMajor", "1");
            xml.writeAttribute("verMinor", "6");
            xml.writeAttribute("provider", "Zentrel");
            xml.writeAttribute("providerVersion", "1");
            xml.writeStartElement("Scene");
            xml.writeStartElement("AUXData");
            for (String place : places()) {
                xml.writeEmptyElement("Position");
                xml.writeAttribute("uuid", uuid("position " + place));
                xml.writeAttribute("name", place);
            }
            xml.writeEndElement();
            xml.writeStartElement("Layers");
            xml.writeStartElement("Layer");
            xml.writeAttribute("name", "Fixtures");
            xml.writeAttribute("uuid", uuid("layer"));
            xml.writeStartElement("ChildList");
            for (int i = 0; i < rows.size(); i++) {
                fixture(xml, rows.get(i), i);
            }
            for (int level = 0; level < 5; level++) {
                xml.writeEndElement();
            }
            xml.writeEndDocument();
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e); // it is written into memory
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    private Set<String> places() {
        Set<String> places = new LinkedHashSet<>();
        rows.stream().map(PatchRow::place).filter(p -> !p.isEmpty()).forEach(places::add);
        return places;
    }

    private void fixture(XMLStreamWriter xml, PatchRow row, int index) throws XMLStreamException {
        xml.writeStartElement("Fixture");
        xml.writeAttribute("name", row.label());
        xml.writeAttribute("uuid", uuid("fixture " + index + " " + row.number()));
        if (row.position().isPresent()) {
            text(xml, "Matrix", matrix(row.position().get()));
        }
        FixtureType type = types.get(plain(row.type()));
        if (type != null || !row.type().isEmpty()) {
            text(xml, "GDTFSpec", file(row.type()));
            text(
                    xml,
                    "GDTFMode",
                    Optional.ofNullable(type)
                            .flatMap(t -> modeOf(t, row))
                            .map(FixtureMode::name)
                            .orElse(row.mode()));
        }
        if (!row.purpose().isEmpty()) {
            text(xml, "Function", row.purpose());
        }
        if (!row.place().isEmpty()) {
            text(xml, "Position", uuid("position " + row.place()));
        }
        text(xml, "FixtureID", row.number());
        if (row.number().matches("[1-9]\\d{0,8}")) {
            text(xml, "FixtureIDNumeric", row.number());
        }
        if (row.unit().matches("\\d{1,9}")) {
            text(xml, "UnitNumber", row.unit());
        }
        xml.writeStartElement("Addresses");
        for (int part = 0; part < row.runs().size(); part++) {
            SlotRun run = row.runs().get(part);
            xml.writeStartElement("Address");
            xml.writeAttribute("break", String.valueOf(part));
            xml.writeCharacters(run.universe() + "." + run.slot());
            xml.writeEndElement();
        }
        xml.writeEndElement();
        xml.writeEndElement();
    }

    private static void text(XMLStreamWriter xml, String name, String value) throws XMLStreamException {
        xml.writeStartElement(name);
        xml.writeCharacters(value);
        xml.writeEndElement();
    }

    private static String matrix(Position at) {
        return String.format(
                Locale.ROOT,
                "{1.000000,0.000000,0.000000}{0.000000,1.000000,0.000000}{0.000000,0.000000,1.000000}{%.6f,%.6f,%.6f}",
                at.x() * 1000,
                at.y() * 1000,
                at.z() * 1000);
    }
}
