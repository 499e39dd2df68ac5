package cuvee.value;

import java.util.regex.Pattern;

/** Words in the names of files that mark a version of them, and say nothing of what they hold. */
public final class VersionMarks {
    private static final Pattern MARK = Pattern.compile(
            "(?i)(v|ver|version|rev|r)[. ]?\\d{1,3}|(final|corrected|corrections?|correct|korrigiert|korrektur(en)?|berichtigt|berichtigung(en)?"
                    + "|amendments?|adjustments?|adjusted|changes|changed|errata|erratum"
                    + "|rev|checked|amended|approved|gepr(ü|ue)ft|copy|kopie|neu|new|newest|latest|updated|update|resend|resent|sent|again|twice|revised|revision"
                    + "|draft|entwurf|endg(ü|ue)ltig|definitive?)");

    private VersionMarks() {}

    /** True for a word such as {@code final}, {@code copy} or {@code v2}. */
    public static boolean isMark(String word) {
        return MARK.matcher(word).matches();
    }
}
