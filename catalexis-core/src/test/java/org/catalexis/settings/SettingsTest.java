package org.catalexis.settings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class SettingsTest {
    private static final Settings SETTINGS = Settings.of(
            new Place("p.yaml", 3), Map.of("a", Map.of("b", 1.5, "c", "text"), "list", List.of("x", Map.of("y", 2))));

    @Test
    void aPathLeadsToItsNode() {
        assertThat(SETTINGS.at("a.b").orElseThrow().number(0, 2)).isEqualTo(1.5);
        assertThat(SETTINGS.at("a.b").orElseThrow().path()).isEqualTo("a.b");
        assertThat(SETTINGS.at("a.z")).isEmpty();
        assertThat(SETTINGS.at("a.b.c")).isEmpty();
        assertThat(SETTINGS.need("list").items().get(1).need("y").path()).isEqualTo("list.1.y");
    }

    @Test
    void withMakesACopyAndLeavesTheOriginal() {
        Settings changed = SETTINGS.with("a.b", 0.5).with("new.one", Map.of("z", 1L));
        assertThat(changed.at("a.b").orElseThrow().plain()).isEqualTo(0.5);
        assertThat(changed.at("a.c").orElseThrow().text()).isEqualTo("text");
        assertThat(changed.at("new.one.z").orElseThrow().plain()).isEqualTo(1L);
        assertThat(SETTINGS.at("a.b").orElseThrow().plain()).isEqualTo(1.5);
        assertThat(SETTINGS.find("new")).isEmpty();
    }

    @Test
    void whatIsNotAsWantedIsToldWithPlaceAndMend() {
        assertThatThrownBy(() -> SETTINGS.need("a").need("b").number(0, 1))
                .hasMessage("p.yaml:3: 'a.b' is '1.5'; write a number from 0 to 1");
        assertThatThrownBy(() -> SETTINGS.need("a").need("c").members())
                .hasMessage("p.yaml:3: 'a.c' is 'text'; write it as members, each on a line of its own: 'name: value'");
        assertThatThrownBy(() -> SETTINGS.need("a").text())
                .hasMessage("p.yaml:3: 'a' is a group of members; write a text");
        assertThatThrownBy(() -> SETTINGS.need("q")).hasMessage("p.yaml:3: the file has no 'q'; add 'q: ...'");
        assertThatThrownBy(() -> SETTINGS.allowOnly("a", "lists"))
                .hasMessage("p.yaml:3: unknown key 'list'; did you mean 'lists'?");
        assertThatThrownBy(() -> SETTINGS.need("a").named((name, argument) -> name))
                .hasMessageContaining("'a' has 2 members (")
                .hasMessageEndingWith("; write exactly one, as in {name: argument}");
    }

    @Test
    void theNearestNameIsWithinAThirdOfTheLetters() {
        List<String> known = List.of("documents", "fields", "pipelines");
        assertThat(Nearest.to("docuemnts", known)).contains("documents");
        assertThat(Nearest.to("field", known)).contains("fields");
        assertThat(Nearest.to("rankers", known)).isEmpty();
        assertThat(Nearest.hint("rankers", known)).isEqualTo("known are: documents, fields, pipelines");
        assertThat(Nearest.hint("x", List.of())).isEqualTo("none is defined");
    }
}
