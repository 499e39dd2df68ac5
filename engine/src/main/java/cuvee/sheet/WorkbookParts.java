package cuvee.sheet;

import com.fasterxml.aalto.UncheckedStreamException;
import com.fasterxml.aalto.stax.InputFactoryImpl;
import cuvee.finding.CuveeException;
import cuvee.place.Where;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The zipped parts of a workbook, opened with every care: sizes, ratios and checksums are held, entities are not. */
final class WorkbookParts implements AutoCloseable {
    private static final XMLInputFactory XML = xmlFactory();
    private static final Logger LOG = LoggerFactory.getLogger(WorkbookParts.class);
    private static final long SMALL = 10_000_000;
    private final ZipFile zip;
    private final Where where;
    private final ReadLimits limits;
    private final Map<String, ZipEntry> loosely = new HashMap<>();

    WorkbookParts(Path file, Where where, ReadLimits limits) throws IOException {
        this.where = where;
        this.limits = limits;
        try {
            this.zip = new ZipFile(file.toFile());
        } catch (ZipException torn) {
            throw Unreadable.broken(where, "it is cut off or damaged");
        }
        if (zip.size() > limits.entries()) {
            int parts = zip.size();
            zip.close();
            throw Unreadable.limit(where, "The workbook has " + parts + " parts; no real one has.");
        }
    }

    boolean has(String name) {
        return entry(name) != null;
    }

    /** A part's bytes, counted and checked as they are read; whoever asks closes them. */
    InputStream open(String name) throws IOException {
        ZipEntry entry = entry(name);
        if (entry == null) {
            throw Unreadable.broken(where, "its part " + name + " is missing");
        }
        return new Guarded(zip.getInputStream(entry), entry);
    }

    /** Runs a reading over the XML of a part; answers false where the workbook has no such part. */
    boolean read(String name, XmlReading reading) throws IOException {
        return read(name, in -> in, reading);
    }

    /** The same where something else reads along before the XML parser does. */
    boolean read(String name, UnaryOperator<InputStream> along, XmlReading reading) throws IOException {
        ZipEntry entry = entry(name);
        if (entry == null) {
            return false;
        }
        try (InputStream in = new Guarded(zip.getInputStream(entry), entry)) {
            XMLStreamReader xml = XML.createXMLStreamReader(along.apply(in));
            try {
                reading.read(xml);
                while (xml.hasNext()) {
                    xml.next();
                }
            } finally {
                xml.close();
            }
            drain(in);
        } catch (XMLStreamException badXml) {
            if (badXml.getNestedException() instanceof IOException io) {
                throw io;
            }
            throw damaged(name, badXml);
        } catch (UncheckedStreamException badText) {
            // The parser looks at texts only when they are asked for, and then cannot say it in the usual way.
            throw damaged(name, badText);
        } catch (ZipException damaged) {
            throw Unreadable.broken(where, "its part " + name + " is damaged");
        }
        return true;
    }

    @Override
    public void close() throws IOException {
        zip.close();
    }

    private @Nullable ZipEntry entry(String name) {
        ZipEntry exact = zip.getEntry(name);
        if (exact != null) {
            return exact;
        }
        // Some writers put a slash in front or vary the capitals.
        if (loosely.isEmpty()) {
            zip.stream().forEach(entry -> loosely.putIfAbsent(loose(entry.getName()), entry));
        }
        return loosely.get(loose(name));
    }

    private static String loose(String name) {
        String plain = name.replace('\\', '/').toLowerCase(Locale.ROOT);
        return plain.startsWith("/") ? plain.substring(1) : plain;
    }

    private static void drain(InputStream in) throws IOException {
        byte[] rest = new byte[4096];
        int read;
        do {
            read = in.read(rest);
        } while (read >= 0);
    }

    private CuveeException damaged(String part, Exception badXml) {
        LOG.info("the part {} of {} is damaged", part, where, badXml);
        return Unreadable.broken(where, "its part " + part + " is damaged");
    }

    private static XMLInputFactory xmlFactory() {
        XMLInputFactory factory = new InputFactoryImpl();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setProperty(XMLInputFactory.IS_COALESCING, false);
        return factory;
    }

    /** A parser for XML that nobody vouches for: nothing outside of it is read. */
    static XMLStreamReader parser(InputStream in) throws XMLStreamException {
        return XML.createXMLStreamReader(in);
    }

    /** An attribute's value by its local name, whatever its prefix; empty where there is none. */
    static String attribute(XMLStreamReader xml, String name) {
        for (int i = 0; i < xml.getAttributeCount(); i++) {
            if (xml.getAttributeLocalName(i).equals(name)) {
                return xml.getAttributeValue(i);
            }
        }
        return "";
    }

    /** What to do with the XML of a part. */
    interface XmlReading {
        void read(XMLStreamReader xml) throws XMLStreamException;
    }

    /** Counts what unfolds and checks it against the part's own checksum at its end. */
    private final class Guarded extends FilterInputStream {
        private final ZipEntry entry;
        private final CRC32 seen = new CRC32();
        private long count;

        Guarded(InputStream in, ZipEntry entry) {
            super(in);
            this.entry = entry;
        }

        @Override
        public int read() throws IOException {
            byte[] one = new byte[1];
            return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
        }

        @Override
        public int read(byte[] bytes, int offset, int length) throws IOException {
            int read;
            try {
                read = super.read(bytes, offset, length);
            } catch (java.io.EOFException cut) {
                throw new ZipException("cut off");
            }
            if (read < 0) {
                if (entry.getCrc() >= 0 && entry.getCrc() != seen.getValue()) {
                    throw new ZipException("checksum differs");
                }
                return read;
            }
            seen.update(bytes, offset, read);
            count += read;
            boolean tooMuch = count > limits.inflatedBytes();
            boolean tooDense = count > SMALL && count > Math.max(1, entry.getCompressedSize()) * limits.ratio();
            if (tooMuch || tooDense) {
                throw Unreadable.limit(where, "The part " + entry.getName() + " unfolds to more than is sane.");
            }
            return read;
        }
    }

    /** The targets of a part's relations, by their ids. */
    Map<String, String> relations(String folder, String workbook) throws IOException {
        Map<String, String> targets = new HashMap<>();
        String name = workbook.substring(folder.length());
        read(
                folder + "_rels/" + name + ".rels",
                xml -> eachStart(xml, "Relationship", () -> {
                    String target = attribute(xml, "Target");
                    targets.put(
                            attribute(xml, "Id"),
                            target.startsWith("/") ? target.substring(1) : resolve(folder, target));
                }));
        return targets;
    }

    private static String resolve(String folder, String target) {
        return Path.of(folder, target).normalize().toString().replace('\\', '/');
    }

    interface Action {
        void run();
    }

    /** Does something at the start of each element of a name. */
    static void eachStart(XMLStreamReader xml, String element, Action action) throws XMLStreamException {
        while (xml.hasNext()) {
            if (xml.next() == XMLStreamConstants.START_ELEMENT
                    && xml.getLocalName().equals(element)) {
                action.run();
            }
        }
    }
}
