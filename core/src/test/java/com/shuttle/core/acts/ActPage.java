package com.shuttle.core.acts;

import com.shuttle.core.acts.Learn.Said;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** The page that says how well acts are told: by trade, by manner of writing, by act, and what the odds are worth. */
final class ActPage {

    private final StringBuilder page = new StringBuilder();
    private final int samples;
    private final List<Said> byTrade;
    private final List<Said> byFile;
    private final List<CutFigures> cuts;
    private final float sharpness;

    ActPage(int samples, List<Said> byTrade, List<Said> byFile, List<CutFigures> cuts, float sharpness) {
        this.samples = samples;
        this.byTrade = byTrade;
        this.byFile = byFile;
        this.cuts = cuts;
        this.sharpness = sharpness;
    }

    String text() {
        line("# How well Shuttle understands");
        line("");
        line(
                "Made by `./shuttle learn` from the samples in `core/src/test/resources`; nothing in it is written by hand.");
        line("");
        line("## What a clause does");
        line("");
        line(
                "%d clauses, each in its context. Every figure is of clauses that were left out while learning: by trade (a fifth of the"
                        .formatted(samples));
        line(
                "trades at a time) and by file, since each file was written at another time in another manner. *Sure* is said with odds");
        line("of .8 and more. Sums are multiplied with %.1f, which makes the odds true for manners that were left out."
                .formatted(sharpness));
        line("");
        table("left out", List.of("trades", "files"), List.of(byTrade, byFile));
        List<String> files = Samples.FILES;
        table(
                "file left out",
                files,
                files.stream()
                        .map(file -> only(byFile, said -> said.row().file().equals(file)))
                        .toList());
        acts();
        List<String> trades = byTrade.stream()
                .map(said -> said.row().trade())
                .distinct()
                .sorted()
                .toList();
        table(
                "trade left out",
                trades,
                trades.stream()
                        .map(trade -> only(byTrade, said -> said.row().trade().equals(trade)))
                        .toList());
        odds();
        cuts();
        return page.toString();
    }

    private void line(String line) {
        page.append(line).append('\n');
    }

    private static List<Said> only(List<Said> all, Predicate<Said> which) {
        return all.stream().filter(which).toList();
    }

    private static String share(List<Said> all, Predicate<Said> which) {
        return all.isEmpty()
                ? ""
                : String.format(Locale.ROOT, "%.3f", only(all, which).size() / (double) all.size())
                        .replaceFirst("^0", "");
    }

    private void table(String head, List<String> names, List<List<Said>> sets) {
        line("| " + head + " | clauses | act right | kind right | sure | sure and right |");
        line("| --- | --- | --- | --- | --- | --- |");
        for (int i = 0; i < names.size(); i++) {
            List<Said> set = sets.get(i);
            line(Stream.of(
                            names.get(i),
                            Integer.toString(set.size()),
                            share(set, Said::right),
                            share(
                                    set,
                                    said -> said.odds().kind()
                                            == said.row().example().kind()),
                            share(set, Said::sure),
                            share(only(set, Said::sure), Said::right))
                    .collect(Collectors.joining(" | ", "| ", " |")));
        }
        line("");
    }

    private void acts() {
        line(
                "| act | clauses | found, trades left out | of what is called so, right | found, files left out | of what is called so, right |");
        line("| --- | --- | --- | --- | --- | --- |");
        for (Act act : Act.values()) {
            List<Said> own = only(byTrade, said -> said.is() == act);
            line("| %s | %d | %s | %s | %s | %s |"
                    .formatted(
                            act.name().toLowerCase(Locale.ROOT),
                            own.size(),
                            share(own, Said::right),
                            share(only(byTrade, said -> said.odds().act() == act), Said::right),
                            share(only(byFile, said -> said.is() == act), Said::right),
                            share(only(byFile, said -> said.odds().act() == act), Said::right)));
        }
        line("");
    }

    private void odds() {
        line("| odds said | clauses | right, trades left out | clauses | right, files left out |");
        line("| --- | --- | --- | --- | --- |");
        IntStream.range(2, 10).forEach(tenth -> {
            Predicate<Said> within = said -> {
                double odds = said.odds().of(said.odds().act());
                return odds >= tenth / 10.0 && (odds < (tenth + 1) / 10.0 || tenth == 9);
            };
            List<Said> trades = only(byTrade, within);
            List<Said> files = only(byFile, within);
            line("| .%d–%s | %d | %s | %d | %s |"
                    .formatted(
                            tenth,
                            tenth == 9 ? "1" : "." + (tenth + 1),
                            trades.size(),
                            share(trades, Said::right),
                            files.size(),
                            share(files, Said::right)));
        });
    }

    private void cuts() {
        line("");
        line("## Where a clause ends");
        line("");
        line("Messages whose clauses are all found where they begin and end, by file left out.");
        line("");
        line(
                "| file left out | of one clause | whole | of several | all cuts right | cuts made that are right | cuts found |");
        line("| --- | --- | --- | --- | --- | --- | --- |");
        cuts.forEach(figures -> line(figures.row()));
    }
}
