package cuvee.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class LauncherTest {
    @Test
    void aJobAloneIsOpenedInTheWindowAndAllElseIsAsItWasWritten() {
        assertThat(Launcher.meant(new String[] {"/tmp/returns.cuvee"})).containsExactly("open", "/tmp/returns.cuvee");
        assertThat(Launcher.meant(new String[] {"show", "a.cuvee"})).containsExactly("show", "a.cuvee");
        assertThat(Launcher.meant(new String[] {})).isEmpty();
    }
}
