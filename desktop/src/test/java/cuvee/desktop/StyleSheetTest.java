package cuvee.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Each theme has a style sheet in which its colours stand instead of their names. */
class StyleSheetTest {
    private static final Map<String, String> COLOURS = Map.of("ink", "#2A2430", "wine-wash", "#F7EBF1");

    private static String sheet(boolean dark) {
        String address = StyleSheet.of(dark);
        return new String(
                Base64.getDecoder().decode(address.substring(address.indexOf(',') + 1)), StandardCharsets.UTF_8);
    }

    @Test
    void colourStandsWhereItsNameStoodAndNamesKeepTheirValues() {
        assertThat(StyleSheet.withColours(
                        ".cuvee { -c-ink: #2A2430; } .a { -fx-fill: -c-ink; -fx-b: derive(-c-wine-wash, 5%); }",
                        COLOURS))
                .isEqualTo(".cuvee { -c-ink: #2A2430; } .a { -fx-fill: #2A2430; -fx-b: derive(#F7EBF1, 5%); }");
    }

    @Test
    void nameWithoutAColourIsAMistakeOfOurs() {
        assertThatThrownBy(() -> StyleSheet.withColours(".a { -fx-fill: -c-inc; }", COLOURS))
                .hasMessageContaining("-c-inc");
    }

    @ParameterizedTest
    @ValueSource(booleans = {false, true})
    void noRuleOfAThemeHasToLookAColourUp(boolean dark) {
        Matcher used = Pattern.compile(":[^;{}]*-c-[a-z]").matcher(sheet(dark));
        assertThat(used.find()).isFalse();
        assertThat(sheet(dark))
                .contains("-fx-text-fill: " + StyleSheet.colours(dark).get("second"));
    }
}
