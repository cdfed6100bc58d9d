package zentrel.mvr;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.demo.FernlightTrail;
import zentrel.patch.FixtureList;
import zentrel.patch.PatchComparison;
import zentrel.plan.FixtureMode;
import zentrel.plan.FixtureOptics;
import zentrel.plan.FixtureType;
import zentrel.plan.Kind;
import zentrel.plan.PatchRow;
import zentrel.plan.PatchRow.SlotRun;
import zentrel.plan.Position;

/** Scenes and fixture types made by hand after DIN SPEC 15801 and 15800 (from memory), good and hostile. */
class MvrTest {
    private static byte[] zip(Map<String, String> parts) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, String> part : parts.entrySet()) {
                zip.putNextEntry(new ZipEntry(part.getKey()));
                zip.write(part.getValue().getBytes(StandardCharsets.ISO_8859_1));
                zip.closeEntry();
            }
        }
        return bytes.toByteArray();
    }

    private static byte[] gdtf(String geometries, String modes) throws IOException {
        return zip(Map.of("description.xml", """
                <?xml version="1.0" encoding="UTF-8"?>
                <GDTF DataVersion="1.2"><FixtureType Name="FW" LongName="Fern wash" Manufacturer="Fernlight">
                <Geometries>%s</Geometries><DMXModes>%s</DMXModes></FixtureType></GDTF>
                """.formatted(geometries, modes)));
    }

    private static FixtureType read(byte[] bytes) {
        return GdtfReader.read(bytes, Kind.FIXTURE_TYPE.id("t")).type();
    }

    private static String channel(String at, String geometry, String attribute) {
        return "<DMXChannel DMXBreak=\"1\" Offset=\"%s\" Geometry=\"%s\"><LogicalChannel Attribute=\"%s\"/></DMXChannel>"
                .formatted(at, geometry, attribute);
    }

    @Test
    void modesHaveNamedSlotsFineOnesAndGaps() throws IOException {
        FixtureType type = read(gdtf(
                "<Geometry Name=\"Base\"/>",
                "<DMXMode Name=\"Wash 18\" Geometry=\"Base\"><DMXChannels>" + channel("2,3", "Base", "Pan")
                        + channel("1", "Base", "Dimmer") + channel("6", "Base", "ColorAdd_R")
                        + channel("None", "Base", "Zoom") + channel("", "Base", "Focus1")
                        + "</DMXChannels></DMXMode>"));
        assertThat(type.name()).isEqualTo("Fern wash");
        assertThat(type.maker()).isEqualTo("Fernlight");
        assertThat(type.modes())
                .containsExactly(
                        new FixtureMode("Wash 18", List.of(List.of("dimmer", "pan", "pan fine", "", "", "red"))));
    }

    /** The beam's angle, the range of its zoom, and how far the head moves. */
    @Test
    void beamsAndHeadsAreRead() throws IOException {
        String function =
                "<DMXChannel Offset=\"%d\" Geometry=\"Head\"><LogicalChannel Attribute=\"%s\"><ChannelFunction PhysicalFrom=\"%s\" PhysicalTo=\"%s\"/></LogicalChannel></DMXChannel>";
        String modes =
                "<DMXMode Name=\"M\" Geometry=\"Head\"><DMXChannels>" + function.formatted(1, "Pan", "-270", "270")
                        + function.formatted(2, "Tilt", "115.000000", "-115.000000")
                        + function.formatted(3, "Zoom", "50", "8.5")
                        + "</DMXChannels></DMXMode>";
        FixtureType zooms = read(gdtf("<Geometry Name=\"Head\"><Beam Name=\"B\" BeamAngle=\"12\"/></Geometry>", modes));
        assertThat(zooms.optics()).isEqualTo(new FixtureOptics(8.5, 50, 540, 230));
        FixtureType fixed = read(gdtf(
                "<Geometry Name=\"Head\"><Beam Name=\"B\" BeamAngle=\"12\"/></Geometry>",
                "<DMXMode Name=\"M\" Geometry=\"Head\"><DMXChannels>" + channel("1", "Head", "Dimmer")
                        + "</DMXChannels></DMXMode>"));
        assertThat(fixed.optics()).isEqualTo(new FixtureOptics(12, 12, 540, 270));
        FixtureType silent = read(gdtf(
                "<Geometry Name=\"Head\"><Beam Name=\"B\" BeamAngle=\"wide\"/></Geometry>",
                "<DMXMode Name=\"M\" Geometry=\"Head\"><DMXChannels>" + channel("1", "Head", "Dimmer")
                        + "</DMXChannels></DMXMode>"));
        assertThat(silent.optics().beam()).isEqualTo(FixtureOptics.USUAL.beam());
    }

    /** A geometry that three references repeat has its channels three times, from the slots that they name. */
    @Test
    void geometriesThatAreReferredToRepeatTheirChannels() throws IOException {
        String reference =
                "<GeometryReference Name=\"P%d\" Geometry=\"Pixel\"><Break DMXBreak=\"1\" DMXOffset=\"%d\"/></GeometryReference>";
        FixtureType type = read(gdtf(
                "<Geometry Name=\"Base\">" + reference.formatted(1, 2) + reference.formatted(2, 5)
                        + reference.formatted(3, 8) + "</Geometry><Geometry Name=\"Pixel\"/>",
                "<DMXMode Name=\"Pixels\" Geometry=\"Base\"><DMXChannels>" + channel("1", "Base", "Dimmer")
                        + channel("1", "Pixel", "ColorAdd_R") + channel("2", "Pixel", "ColorAdd_G")
                        + channel("3", "Pixel", "ColorAdd_B") + "</DMXChannels></DMXMode>"));
        assertThat(type.modes().get(0).parts())
                .containsExactly(List.of(
                        "dimmer", "red 1", "green 1", "blue 1", "red 2", "green 2", "blue 2", "red 3", "green 3",
                        "blue 3"));
    }

    private static final String FIXTURE = """
            <Fixture name="%s" uuid="x"><Matrix>{1,0,0}{0,1,0}{0,0,1}{%s}</Matrix><GDTFSpec>Fernlight@Fern wash.gdtf</GDTFSpec>
            <GDTFMode>%s</GDTFMode><FixtureID>%s</FixtureID><Addresses>%s</Addresses></Fixture>""";

    private static byte[] scene(String layers) throws IOException {
        Map<String, String> parts = new LinkedHashMap<>();
        parts.put("GeneralSceneDescription.xml", """
                <?xml version="1.0" encoding="UTF-8"?><GeneralSceneDescription verMajor="1" verMinor="6"><Scene>
                <AUXData/><Layers>%s</Layers></Scene></GeneralSceneDescription>""".formatted(layers));
        parts.put(
                "Fernlight@Fern wash.gdtf",
                new String(
                        gdtf(
                                "<Geometry Name=\"Base\"/>",
                                "<DMXMode Name=\"Wash 18\" Geometry=\"Base\"><DMXChannels>"
                                        + channel("17,18", "Base", "Zoom") + "</DMXChannels></DMXMode>"),
                        StandardCharsets.ISO_8859_1));
        return zip(parts);
    }

    @Test
    void aSceneTellsNumbersTypesAddressesAndPositionsThroughItsGroups() throws IOException {
        MvrReader.Scene scene = MvrReader.read(scene("<Layer name=\"Glasshouse\"><ChildList>"
                + FIXTURE.formatted("North 1", "500,0,6000", "Wash 18", "101", "<Address break=\"0\">3.17</Address>")
                + "<GroupObject name=\"turned\"><Matrix>{0,1,0}{-1,0,0}{0,0,1}{1000,2000,0}</Matrix><ChildList>"
                + FIXTURE.formatted("North 2", "500,0,6000", "Wash 18", "0102", "<Address break=\"0\">1041</Address>")
                + FIXTURE.formatted("North 3", "0,0,0", "Wash 99", "103", "<Address break=\"0\">0</Address>")
                + FIXTURE.formatted("North 4", "0,0,0", "Wash 18", "101", "")
                + FIXTURE.formatted("North 5", "0,0,0", "Wash 18", "105", "<Address break=\"0\">2.600</Address>")
                + "</ChildList></GroupObject></ChildList></Layer>"));
        assertThat(scene.types()).extracting(FixtureType::name).containsExactly("Fern wash");
        List<PatchRow> rows = scene.list().rows();
        assertThat(rows).extracting(PatchRow::number).containsExactly("101", "102", "103");
        assertThat(rows.get(0).runs()).containsExactly(new SlotRun(3, 17, 18));
        assertThat(rows.get(0).type()).isEqualTo("Fern wash");
        assertThat(rows.get(0).position()).contains(new Position(0.5, 0, 6));
        assertThat(rows.get(1).runs()).as("absolute").containsExactly(new SlotRun(3, 17, 18));
        assertThat(rows.get(1).position())
                .as("turned by 90 degrees about the vertical")
                .contains(new Position(1, 2.5, 6));
        assertThat(rows.get(2).runs()).isEmpty();
        assertThat(scene.list().leftOut())
                .extracting(l -> l.text())
                .containsExactly(
                        "Row 4: fixture 101 is the scene's fixture 1 already",
                        "Row 5: there is no slot 600; a universe has 1 to 512");
        assertThat(scene.notes())
                .anyMatch(n ->
                        n.startsWith("1 fixture in the mode Wash 99, which Fernlight@Fern wash.gdtf does not have"));
    }

    @Test
    void whatIsWrittenIsReadAgain() {
        List<PatchRow> rows = FixtureList.of(FernlightTrail.draft()).rows().stream()
                .map(r -> r.withPosition(
                                Optional.of(new Position(r.runs().get(0).slot(), -1.25, 4)))
                        .withUnit("7"))
                .toList();
        FixtureType type = new FixtureType(
                Kind.FIXTURE_TYPE.id("t"),
                rows.get(0).type(),
                "Fernlight",
                List.of(new FixtureMode(
                        "Basic", List.of(List.of("dimmer", "pan", "pan fine", "red", ""), List.of("fan")))));
        byte[] bytes = MvrWriter.write(rows, List.of(type));
        MvrReader.Scene scene = MvrReader.read(bytes);
        assertThat(scene.list().leftOut()).isEmpty();
        assertThat(scene.list().rows()).hasSameSizeAs(rows);
        assertThat(PatchComparison.of(FixtureList.of(rows), scene.list()).differences())
                .isEmpty();
        assertThat(scene.types().stream()
                        .filter(t -> t.name().equals(type.name()))
                        .findFirst()
                        .orElseThrow()
                        .modes())
                .startsWith(type.modes().get(0));
        assertThat(MvrWriter.write(rows, List.of(type))).isEqualTo(bytes);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "GeneralSceneDescription.xml | <a> | is no XML: line 1",
                "GeneralSceneDescription.xml | <!DOCTYPE a [<!ENTITY e SYSTEM \"file:///etc/passwd\">]><a>&e;</a> | outside of it",
                "GeneralSceneDescription.xml | <a/> | describes no scene",
                "../GeneralSceneDescription.xml | <a/> | so it is no MVR file",
                "scene.txt | x | so it is no MVR file",
            })
    void whatIsNoSceneIsSaid(String part, String text, String said) throws IOException {
        byte[] bytes = zip(Map.of(part, text));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> MvrReader.read(bytes))
                .withMessageContaining(said);
    }

    @Test
    void aBombIsRefusedWhileLittleOfItIsHeld() throws IOException {
        byte[] bytes = zip(Map.of("GeneralSceneDescription.xml", "<a>" + " ".repeat(140 << 20) + "</a>"));
        assertThat(bytes.length).isLessThan(1 << 20);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> MvrReader.read(bytes))
                .withMessageContaining("unpacks to more than 128 MB");
    }

    /** Whatever is broken in a file, there is a sentence. */
    @Test
    void damagedFilesAreRefusedOrReadInPart() throws IOException {
        byte[] good = scene("<Layer><ChildList>"
                + FIXTURE.formatted("a", "0,0,0", "Wash 18", "1", "<Address break=\"0\">1</Address>")
                        .repeat(30) + "</ChildList></Layer>");
        Random random = new Random(5);
        for (int i = 0; i < 400; i++) {
            byte[] bad = i % 4 == 0 ? Arrays.copyOf(good, random.nextInt(good.length)) : good.clone();
            for (int k = 0; k < 3 && bad.length > 0; k++) {
                bad[random.nextInt(bad.length)] = (byte) random.nextInt();
            }
            try {
                assertThat(MvrReader.read(bad).list().rows()).hasSizeLessThanOrEqualTo(30);
            } catch (IllegalArgumentException e) {
                assertThat(e.getMessage()).isNotBlank();
            }
        }
    }
}
