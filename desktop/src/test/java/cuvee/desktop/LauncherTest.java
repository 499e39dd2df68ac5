package cuvee.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class LauncherTest {
    @Test
    void aJobOrAFolderAloneIsOpenedInTheWindowAndAllElseIsAsItWasWritten(@TempDir Path folder) {
        assertThat(Launcher.meant(new String[] {folder.toString()})).containsExactly("open", folder.toString());
        assertThat(Launcher.meant(new String[] {"/tmp/returns.cuvee"})).containsExactly("open", "/tmp/returns.cuvee");
        assertThat(Launcher.meant(new String[] {"show", "a.cuvee"})).containsExactly("show", "a.cuvee");
        assertThat(Launcher.meant(new String[] {})).isEmpty();
        String here = Path.of("src").toFile().isDirectory() ? "src" : "demo";
        assertThat(Launcher.meant(new String[] {here}))
                .as("a command, though a folder is called so")
                .containsExactly(here);
    }
}
