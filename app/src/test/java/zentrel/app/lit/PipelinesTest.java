package zentrel.app.lit;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The picture is the same by the pipeline with 3D and by the one that refuses it, but for the smoothing of edges. */
class PipelinesTest {
    private static final double MEAN = 4;
    private static final int FAR = 60;
    private static final double FEW = 0.03;

    @TempDir
    private Path folder;

    private String draw(Path file, String... options) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Djava.util.prefs.userRoot=" + folder,
                "-Duser.home=" + folder));
        command.addAll(List.of(options));
        command.addAll(
                List.of("-cp", System.getProperty("java.class.path"), PictureMain.class.getName(), file.toString()));
        Process process = new ProcessBuilder(command)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        try {
            assertThat(process.waitFor(90, TimeUnit.SECONDS))
                    .as(command.toString())
                    .isTrue();
            return new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8).strip();
        } finally {
            process.destroyForcibly();
        }
    }

    @Test
    void bothDrawOnePicture() throws Exception {
        Path flat = folder.resolve("software.png");
        Path solid = folder.resolve("gl.png");
        assertThat(draw(flat, "-Dprism.order=sw")).isEqualTo("3D false");
        assertThat(draw(solid, "-Dprism.order=es2", "-Dprism.forceGPU=true")).isEqualTo("3D true");
        BufferedImage one = ImageIO.read(flat.toFile());
        BufferedImage other = ImageIO.read(solid.toFile());
        long sum = 0;
        int far = 0;
        int lit = 0;
        for (int y = 0; y < PictureMain.HEIGHT; y++) {
            for (int x = 0; x < PictureMain.WIDTH; x++) {
                int worst = 0;
                for (int shift = 0; shift <= 16; shift += 8) {
                    int by = Math.abs((one.getRGB(x, y) >> shift & 0xFF) - (other.getRGB(x, y) >> shift & 0xFF));
                    sum += by;
                    worst = Math.max(worst, by);
                }
                far += worst > FAR ? 1 : 0;
                lit += (one.getRGB(x, y) & 0xFF) > 120 ? 1 : 0;
            }
        }
        double all = PictureMain.WIDTH * PictureMain.HEIGHT;
        assertThat(sum / (3 * all)).as("levels apart in the middle").isLessThan(MEAN);
        assertThat(far / all).as("share of pixels that are far apart").isLessThan(FEW);
        assertThat(lit / all).as("share that is lit").isBetween(0.01, 0.7);
    }
}
