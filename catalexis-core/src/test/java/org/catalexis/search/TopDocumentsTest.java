package org.catalexis.search;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

class TopDocumentsTest {
    private record Offered(double score, int document, int idRank) {}

    @Property
    void keepsTheBestWhateverTheOrderOfOffersAndTheTies(
            @ForAll @IntRange(min = 1, max = 3000) int capacity,
            @ForAll @IntRange(max = 3000) int offers,
            @ForAll @IntRange(min = 1, max = 50) int scores,
            @ForAll long seed) {
        Random random = new Random(seed);
        List<Integer> ranks = new ArrayList<>(
                random.ints(offers, 0, 1 << 30).distinct().boxed().toList());
        TopDocuments best = new TopDocuments(capacity);
        List<Offered> all = new ArrayList<>();
        for (int i = 0; i < ranks.size(); i++) {
            all.add(new Offered(random.nextInt(scores) / 4.0 - 1, i, ranks.get(i)));
            best.offer(all.get(i).score, i, ranks.get(i));
        }
        all.sort(Comparator.comparingDouble(Offered::score).reversed().thenComparingInt(Offered::idRank));
        List<Integer> kept = new ArrayList<>();
        for (int i = 0; i < best.size(); i++) {
            kept.add(best.document(i));
        }
        assertThat(kept)
                .containsExactlyInAnyOrderElementsOf(
                        all.stream().limit(capacity).map(Offered::document).toList());
    }
}
