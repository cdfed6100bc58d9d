package zentrel.mvr;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;

/**
 * The parts of a ZIP archive, in memory and never on disk, so that a path out of it leads nowhere. Counted while they are unpacked:
 * one that would fill the memory is refused.
 */
final class Archive {
    private static final long LARGEST = 256L << 20;
    private static final int MOST_PARTS = 10_000;

    /** Of the parts that are read; pictures and models are not unpacked. */
    private static final long MOST_UNPACKED = 128L << 20;

    private final Map<String, ZipArchiveEntry> parts = new LinkedHashMap<>();
    private final byte[] bytes;
    private long unpacked;

    private Archive(byte[] bytes) {
        this.bytes = bytes;
        try (ZipFile opened = open()) {
            List<ZipArchiveEntry> all = Collections.list(opened.getEntries());
            if (all.size() > MOST_PARTS) {
                throw new IllegalArgumentException("this archive has more than " + MOST_PARTS + " parts.");
            }
            all.forEach(e -> parts.putIfAbsent(e.getName().replace('\\', '/'), e));
        } catch (IOException | RuntimeException e) {
            throw e instanceof IllegalArgumentException refused
                    ? refused
                    : new IllegalArgumentException("this is no archive, or it is damaged.", e);
        }
    }

    private ZipFile open() throws IOException {
        return ZipFile.builder()
                .setSeekableByteChannel(new SeekableInMemoryByteChannel(bytes))
                .get();
    }

    /**
     * Opens one.
     *
     * @throws IllegalArgumentException with the rest of a sentence, where it is none
     */
    static Archive of(byte[] bytes) {
        return new Archive(bytes);
    }

    /**
     * The bytes of a file.
     *
     * @throws IllegalArgumentException with a sentence, where it is not there or too large
     */
    static byte[] read(Path file) throws IOException {
        try {
            if (Files.isDirectory(file)) {
                throw new IllegalArgumentException(file + " is a folder.");
            }
            if (Files.size(file) > LARGEST) {
                throw new IllegalArgumentException(file.getFileName() + " is larger than " + (LARGEST >> 20) + " MB.");
            }
            return Files.readAllBytes(file);
        } catch (NoSuchFileException e) {
            throw new IllegalArgumentException("There is no file " + file + ".", e);
        } catch (AccessDeniedException e) {
            throw new IllegalArgumentException(file + " may not be read by this user.", e);
        }
    }

    /** The names of its parts. */
    List<String> names() {
        return List.copyOf(parts.keySet());
    }

    /** A part by its name; upper and lower case are one, as not every program keeps them. */
    Optional<byte[]> part(String name) {
        ZipArchiveEntry found = parts.get(name);
        if (found == null) {
            found = parts.entrySet().stream()
                    .filter(e -> e.getKey().toLowerCase(Locale.ROOT).equals(name.toLowerCase(Locale.ROOT)))
                    .map(Map.Entry::getValue)
                    .findFirst()
                    .orElse(null);
        }
        return Optional.ofNullable(found).map(this::unpack);
    }

    private byte[] unpack(ZipArchiveEntry entry) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipFile opened = open();
                InputStream in = opened.getInputStream(entry)) {
            byte[] buffer = new byte[1 << 16];
            for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
                unpacked += read;
                if (unpacked > MOST_UNPACKED) {
                    throw new IllegalArgumentException(
                            "this archive unpacks to more than " + (MOST_UNPACKED >> 20) + " MB.");
                }
                out.write(buffer, 0, read);
            }
        } catch (IOException e) {
            throw new IllegalArgumentException("its part " + entry.getName() + " is damaged.", e);
        }
        return out.toByteArray();
    }
}
