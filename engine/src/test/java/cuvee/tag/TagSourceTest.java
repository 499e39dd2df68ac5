package cuvee.tag;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.tag.TagSource.From;
import java.util.EnumSet;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What a tag is taken from, as it is kept, said, and called as a column. */
class TagSourceTest {
    private static final EnumSet<From> NUMBERED = EnumSet.of(
            From.FOLDER,
            From.FOLDER_PERIOD,
            From.FILE_PART,
            From.SHEET_PART,
            From.TABLE_PART,
            From.TITLE_PART,
            From.LINE_CELL);
    private static final EnumSet<From> WITH_TEXT =
            EnumSet.of(From.TITLE_LABEL, From.FILE_AFTER, From.FILE_BEFORE, From.FIXED);

    private static TagSource some(From from) {
        return NUMBERED.contains(from)
                ? new TagSource(from, "2")
                : WITH_TEXT.contains(from) ? new TagSource(from, "Port of call") : TagSource.of(from);
    }

    @ParameterizedTest
    @EnumSource(From.class)
    void itsWordsAreReadBackAndItHasAName(From from) {
        TagSource source = some(from);
        assertThat(TagSource.read(source.words())).contains(source);
        assertThat(source.said()).isNotBlank().doesNotContain("null");
        assertThat(source.name()).isNotBlank();
    }

    @ParameterizedTest
    @ValueSource(strings = {"folder", "folder 0", "folder 100", "folder two", "file name part", "somewhere", ""})
    void wordsThatSayNothingAreNone(String words) {
        assertThat(TagSource.read(words)).isEqualTo(Optional.empty());
    }

    @Test
    void theOnlyInnerFolderNeedsNoNumber() {
        assertThat(new TagSource(From.FOLDER, "1").name()).isEqualTo("Folder");
        assertThat(new TagSource(From.FOLDER, "2").name()).isEqualTo("Folder 2");
    }

    @ParameterizedTest
    @CsvSource({
        "1, the name of the inner folder",
        "2, the name of the second inner folder",
        "5, the name of the 5th inner folder"
    })
    void foldersAreCountedAsPeopleDo(String level, String said) {
        assertThat(new TagSource(From.FOLDER, level).said()).isEqualTo(said);
    }
}
