/**
 * Finding the stored answer to a question by meaning and by words, with a confidence that means what it says.
 *
 * <h2>Method</h2>
 *
 * <p>What can be found are {@linkplain com.shuttle.core.knowledge.Unit units}: entries, and passages of articles. A question is
 * first mended: misspellings by the collection's own words, house words by its synonyms, countries it says nothing of by the
 * narrowest region that it does name ({@link com.shuttle.core.reading.Places}). Then every unit is compared with
 * it in five ways ({@linkplain com.shuttle.core.knowledge.Evidence evidence}):
 *
 * <ul>
 *   <li>whole: cosine to title and answer together, by MiniLM;
 *   <li>sentence: cosine to the nearest single sentence of the answer, by MiniLM;
 *   <li>wording: cosine to the nearest phrasing or heading, by BGE;
 *   <li>answer: cosine to title and answer together, by E5, which was trained on questions and what answers them;
 *   <li>words: the share of the question's words that the unit has, by rarity.
 * </ul>
 *
 * <p>A weighted sum of these ranks; the sum and its lead over the best other source give the confidence ({@link
 * com.shuttle.core.knowledge.Calibration}). The lead tells most: visitors whose question is not covered get several answers
 * that are about equally near. A follow-up is asked alone and together with the question before, and the surer of the two
 * counts. A message with several questions is taken apart, and each is answered that is answered surely by itself.
 *
 * <h2>Fitting</h2>
 *
 * <p>Both steps were fitted to six made-up collections of other trades, with 362 questions they cover and 101 they do not
 * ({@code src/test/resources/knowledge}; {@code CalibrationFit} fits and prints what follows). A collection of allotments with 310
 * questions was never fitted to, but the models and the bands were chosen with its figures in sight. What each kind of evidence
 * brings, as the share of covered questions whose source comes first and among the first three, on collections left out
 * of the fit and on the allotments:
 *
 * <pre>
 *                                      left out         allotments
 * words                               .41  .64          .52  .69
 * wording                             .51  .75          .51  .73
 * answer                              .57  .82          .64  .79
 * whole, sentence                     .60  .86          .64  .83
 * whole, sentence, wording            .66  .90          .69  .86
 * whole, wording, answer              .67  .89          .73  .89
 * whole, sentence, wording, answer    .69  .90          .73  .89
 * all five                            .68  .90          .73  .89
 * </pre>
 *
 * <p>Words add nothing that the three models do not bring on these collections; they keep a small weight for names and
 * numbers that no model knows. Tried without gain: sentences of long messages one by one, titles before sentences, cosines
 * centred on the collection, and a soft alignment of single words. How confidences hold (best match, mean confidence and
 * share that is right):
 *
 * <pre>
 *              left out               allotments
 * .2 to .4     .33 .30 (170)          .35 .22  (90)
 * .4 to .6     .50 .47 (129)          .49 .48  (91)
 * .6 to .8     .68 .76  (86)          .70 .84  (56)
 * .8 to 1      .90 .88  (78)          .93 .96  (73)
 * </pre>
 *
 * <h2>Limits</h2>
 *
 * <p>The models read English. A question in another language than the collection's is not answered ({@link
 * com.shuttle.core.knowledge.Tongue}).
 */
@NullMarked
package com.shuttle.core.knowledge;

import org.jspecify.annotations.NullMarked;
