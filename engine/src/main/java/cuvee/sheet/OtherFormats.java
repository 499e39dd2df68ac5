package cuvee.sheet;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Kinds of files that are honest and are not read, recognised by how they begin, so that they are not called damaged. */
final class OtherFormats {
    private static final List<Beginning> KNOWN = List.of(
            beginning("a PDF document", '%', 'P', 'D', 'F'),
            beginning("a workbook of a version before 97", 0x09, 0x00, 0x04, 0x00),
            beginning("a workbook of a version before 97", 0x09, 0x02, 0x06, 0x00),
            beginning("a workbook of a version before 97", 0x09, 0x04, 0x06, 0x00),
            beginning("a database file", 'S', 'Q', 'L', 'i', 't', 'e', ' ', 'f', 'o', 'r', 'm', 'a', 't'),
            beginning("a database file", 0x00, 0x01, 0x00, 0x00, 'S', 't', 'a', 'n', 'd', 'a', 'r', 'd', ' '),
            beginning("a table in the Parquet format", 'P', 'A', 'R', '1'),
            beginning("a compressed file", 0x1F, 0x8B),
            beginning("a compressed file", 'B', 'Z', 'h'),
            beginning("a compressed file", 0xFD, '7', 'z', 'X', 'Z'),
            beginning("a compressed file", 0x28, 0xB5, 0x2F, 0xFD),
            beginning("a compressed file", '7', 'z', 0xBC, 0xAF),
            beginning("a compressed file", 'R', 'a', 'r', '!'),
            beginning("a picture", 0x89, 'P', 'N', 'G'),
            beginning("a picture", 0xFF, 0xD8, 0xFF),
            beginning("a picture", 'G', 'I', 'F', '8'));

    private OtherFormats() {}

    /** How files of a kind begin. */
    private record Beginning(String what, List<Integer> bytes) {
        boolean fits(byte[] head) {
            return startsWith(head, bytes.stream().mapToInt(Integer::intValue).toArray());
        }
    }

    /** True where a file begins with some bytes. */
    static boolean startsWith(byte[] head, int... signature) {
        if (head.length < signature.length) {
            return false;
        }
        for (int i = 0; i < signature.length; i++) {
            if ((head[i] & 0xFF) != signature[i]) {
                return false;
            }
        }
        return true;
    }

    private static Beginning beginning(String what, int... bytes) {
        return new Beginning(what, Arrays.stream(bytes).boxed().toList());
    }

    /** What a file that begins so is; empty where its beginning is none of those that are known. */
    static Optional<String> of(byte[] head) {
        for (Beginning each : KNOWN) {
            if (each.fits(head)) {
                return Optional.of(each.what());
            }
        }
        String start = new String(head, StandardCharsets.ISO_8859_1);
        return start.contains("<office:document ") || start.contains("<office:document\n")
                ? Optional.of("a flat office document")
                : Optional.empty();
    }
}
