package zentrel.mvr;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.patch.FixtureList;
import zentrel.patch.FixtureNumber;
import zentrel.plan.FixtureMode;
import zentrel.plan.FixtureType;
import zentrel.plan.Kind;
import zentrel.plan.PatchRow;
import zentrel.plan.PatchRow.SlotRun;
import zentrel.plan.Position;
import zentrel.plan.SlotNotation;
import zentrel.plan.SlotStyle;
import zentrel.table.LeftOut;
import zentrel.text.Counted;
import zentrel.text.PlainText;

/** Reads the fixtures of a scene (DIN SPEC 15801): layers and groups with their matrices, types from the GDTF files in it. */
public final class MvrReader {
    private static final double MILLIMETRES = 1000;
    private static final int LONGEST = 400;
    private static final int MOST_FIXTURES = 200_000;

    /** What may hold fixtures. */
    private static final Set<String> HOLD =
            Set.of("Layers", "Layer", "ChildList", "GroupObject", "Truss", "Support", "SceneObject", "Fixture");

    /**
     * What a scene tells.
     *
     * @param list its fixtures; the row of one left out is its place among the fixtures of the scene, from 1
     * @param types the fixture types in it
     * @param notes what else was left out, as sentences
     */
    public record Scene(FixtureList list, List<FixtureType> types, List<String> notes) {
        public Scene {
            types = List.copyOf(types);
            notes = List.copyOf(notes);
        }
    }

    private final Archive archive;
    private final Map<String, String> hangingPositions = new HashMap<>();
    private final Map<String, Optional<FixtureType>> types = new LinkedHashMap<>();
    private final Map<String, Long> rowOfNumber = new HashMap<>();
    private final List<PatchRow> rows = new ArrayList<>();
    private final List<LeftOut> leftOut = new ArrayList<>();
    private final List<String> notes = new ArrayList<>();
    private final Map<String, Integer> unknownModes = new LinkedHashMap<>();
    private long count;

    private MvrReader(Archive archive) {
        this.archive = archive;
    }

    /**
     * Reads a file.
     *
     * @throws IllegalArgumentException with a sentence that names the file, where it is no scene
     */
    public static Scene read(Path file) throws IOException {
        byte[] bytes = Archive.read(file);
        try {
            return read(bytes);
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(file.getFileName() + ": " + e.getMessage(), e);
        }
    }

    /** The same from bytes. */
    public static Scene read(byte[] bytes) {
        Archive archive = Archive.of(bytes);
        String part = "GeneralSceneDescription.xml";
        XmlElement root = XmlElement.parse(
                archive.part(part)
                        .orElseThrow(
                                () -> new IllegalArgumentException("it holds no " + part + ", so it is no MVR file.")),
                part);
        XmlElement scene =
                root.child("Scene").orElseThrow(() -> new IllegalArgumentException(part + " describes no scene."));
        return new MvrReader(archive).all(root, scene);
    }

    private Scene all(XmlElement root, XmlElement scene) {
        if (!root.attribute("verMajor").equals("1")) {
            notes.add("Its version is " + root.attribute("verMajor") + "." + root.attribute("verMinor")
                    + "; it is read as 1.6 is.");
        }
        scene.child("AUXData")
                .ifPresent(aux -> aux.children("Position")
                        .forEach(p -> hangingPositions.put(p.attribute("uuid"), p.attribute("name"))));
        scene.child("Layers").ifPresent(l -> walk(l, Matrix.NONE));
        List<FixtureType> found =
                types.values().stream().flatMap(Optional::stream).toList();
        unknownModes.forEach((mode, fixtures) -> notes.add(Counted.of(fixtures, "fixture") + " in the mode "
                + PlainText.shown(mode.replaceFirst("\n.*", ""), 60) + ", which "
                + PlainText.shown(mode.replaceFirst(".*\n", ""), 60)
                + " does not have: their footprint is not known."));
        FixtureList told = FixtureList.of(rows);
        return new Scene(
                new FixtureList(
                        rows,
                        told.has(),
                        leftOut,
                        List.of("a scene, version " + root.attribute("verMajor") + "." + root.attribute("verMinor")),
                        SlotStyle.USUAL),
                found,
                notes);
    }

    private void walk(XmlElement element, Matrix around) {
        Matrix here = around;
        Optional<XmlElement> matrix = element.child("Matrix");
        if (matrix.isPresent()) {
            Optional<Matrix> own = Matrix.parse(matrix.get().text());
            if (own.isEmpty()) {
                notes.add("“" + PlainText.shown(element.attribute("name"), 60)
                        + "” has a matrix that is none; it is left out.");
            }
            here = own.map(around::of).orElse(around);
        }
        if (element.name().equals("Fixture")) {
            fixture(element, matrix.isPresent() ? Optional.of(here) : Optional.empty());
        }
        for (XmlElement child : element.children()) {
            if (HOLD.contains(child.name())) {
                walk(child, here);
            }
        }
    }

    private void fixture(XmlElement f, Optional<Matrix> at) {
        if (++count > MOST_FIXTURES) {
            throw new IllegalArgumentException("it has more than " + MOST_FIXTURES + " fixtures.");
        }
        try {
            PatchRow row = row(f, at);
            if (!row.number().isEmpty()) {
                Long before = rowOfNumber.putIfAbsent(row.number(), count);
                if (before != null) {
                    throw new IllegalArgumentException(
                            "fixture " + row.number() + " is the scene's fixture " + before + " already");
                }
            }
            rows.add(row);
        } catch (IllegalArgumentException e) {
            leftOut.add(new LeftOut(count, String.valueOf(e.getMessage())));
        }
    }

    private PatchRow row(XmlElement f, Optional<Matrix> at) {
        String number = FixtureNumber.plain(text(f.textOf("FixtureID")));
        if (number.isEmpty()) {
            number = FixtureNumber.plain(f.textOf("FixtureIDNumeric"));
        }
        String label = text(f.attribute("name"));
        String spec = f.textOf("GDTFSpec");
        Optional<FixtureType> type = type(spec);
        String typeName = type.map(FixtureType::name).orElseGet(() -> text(nameOf(spec)));
        String mode = text(f.textOf("GDTFMode"));
        Optional<FixtureMode> known = type.flatMap(t -> t.mode(mode));
        List<SlotRun> runs = runs(f, known, type.isPresent() && known.isEmpty() ? mode : "");
        if (number.isEmpty() && runs.isEmpty() && label.isEmpty()) {
            throw new IllegalArgumentException("it has no number, no name and no address");
        }
        return new PatchRow(
                number,
                label,
                typeName,
                mode,
                runs,
                text(hangingPositions.getOrDefault(f.textOf("Position"), "")),
                at.map(Matrix::position),
                text(f.textOf("Function")),
                unit(f.textOf("UnitNumber")),
                "");
    }

    private static String unit(String number) {
        return number.equals("0") ? "" : text(number);
    }

    private static String text(String text) {
        String one = text.replaceAll("\\s+", " ").strip();
        return one.length() > LONGEST ? one.substring(0, LONGEST) : one;
    }

    /** The name in that of a GDTF file, which is Maker@Name or the name alone, and may have a comment after a further @. */
    private static String nameOf(String spec) {
        String plain = spec.replaceFirst("(?i)\\.gdtf$", "").replaceFirst("^.*[/\\\\]", "");
        String[] parts = plain.split("@", -1);
        return (parts.length > 1 ? parts[1] : parts[0]).replace('_', ' ').strip();
    }

    private List<SlotRun> runs(XmlElement f, Optional<FixtureMode> mode, String unknownMode) {
        if (!unknownMode.isEmpty()) {
            unknownModes.merge(unknownMode + "\n" + f.textOf("GDTFSpec"), 1, Integer::sum);
        }
        List<SlotRun> runs = new ArrayList<>();
        List<XmlElement> addresses = new ArrayList<>(
                f.child("Addresses").map(a -> a.children("Address")).orElse(List.of()));
        addresses.addAll(f.children("Address"));
        for (int i = 0; i < addresses.size(); i++) {
            String text = addresses.get(i).text();
            if (text.isEmpty() || text.equals("0")) {
                continue; // not patched
            }
            SlotRun start = SlotNotation.readAddress(text);
            int part = i;
            int footprint = mode.filter(m -> part < m.parts().size())
                    .map(m -> m.footprint(part))
                    .orElse(0);
            runs.add(new SlotRun(start.universe(), start.slot(), footprint));
        }
        return runs;
    }

    private Optional<FixtureType> type(String spec) {
        if (spec.isEmpty()) {
            return Optional.empty();
        }
        return types.computeIfAbsent(spec, s -> {
            try {
                Optional<byte[]> bytes = archive.part(s).or(() -> archive.part(s + ".gdtf"));
                if (bytes.isEmpty()) {
                    notes.add("The fixture type " + PlainText.shown(s, 60) + " is not in the file.");
                }
                return bytes.map(b -> {
                    GdtfReader.Read read = GdtfReader.read(b, Kind.FIXTURE_TYPE.id("type" + (types.size() + 1)));
                    read.leftOut().forEach(n -> notes.add(PlainText.shown(s, 60) + ": " + n));
                    return read.type();
                });
            } catch (IllegalArgumentException e) {
                notes.add("The fixture type " + PlainText.shown(s, 60) + " cannot be read: " + e.getMessage());
                return Optional.empty();
            }
        });
    }

    /**
     * Rows of a matrix: three axes and where it is, in millimetres.
     *
     * @param values twelve numbers
     */
    private record Matrix(List<Double> values) {
        static final Matrix NONE = new Matrix(List.of(1.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0));

        /** Four times three numbers in braces. */
        static Optional<Matrix> parse(String text) {
            List<Double> values = new ArrayList<>();
            for (String each : text.replaceAll("[{}\\s]+", ",").split(",", -1)) {
                if (each.matches("[+-]?(\\d{1,15}(\\.\\d{0,20})?|\\.\\d{1,20})([eE][+-]?\\d{1,3})?")) {
                    values.add(Double.parseDouble(each));
                } else if (!each.isEmpty()) {
                    return Optional.empty();
                }
            }
            boolean all = values.size() == 12 && values.stream().allMatch(v -> Double.isFinite(v) && Math.abs(v) < 1e9);
            return all ? Optional.of(new Matrix(List.copyOf(values))) : Optional.empty();
        }

        /** What is placed by another in this one's space. */
        Matrix of(Matrix inner) {
            List<Double> all = new ArrayList<>();
            for (int row = 0; row < 4; row++) {
                for (int axis = 0; axis < 3; axis++) {
                    double sum = row == 3 ? values.get(9 + axis) : 0;
                    for (int k = 0; k < 3; k++) {
                        sum += inner.values.get(row * 3 + k) * values.get(k * 3 + axis);
                    }
                    all.add(sum);
                }
            }
            return new Matrix(all);
        }

        Position position() {
            return new Position(metres(9), metres(10), metres(11));
        }

        private double metres(int index) {
            return Math.round(values.get(index)) / MILLIMETRES;
        }
    }
}
