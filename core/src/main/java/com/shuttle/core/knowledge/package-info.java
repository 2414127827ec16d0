/**
 * Finding the stored answer to a question by meaning and by words, with a confidence that means what it says.
 *
 * <h2>Method</h2>
 *
 * <p>What can be found are {@linkplain com.shuttle.core.knowledge.Unit units}: entries, and passages of articles. A question is
 * first mended: misspellings by the collection's own words, house words by its synonyms, countries it says nothing of by the
 * narrowest region that it does name ({@link com.shuttle.core.reading.Places}). Then every unit is compared with
 * it in two ways by each of three models (MiniLM, trained on pairs of sentences of like meaning; BGE, trained to find
 * passages; E5, trained on questions and what answers them):
 *
 * <ul>
 *   <li>by whole vectors: cosines to title and answer together, to the nearest phrasing or heading, and by MiniLM to the
 *       nearest single sentence of the answer;
 *   <li>word piece by word piece, as the model reads each where it stands ({@link com.shuttle.core.knowledge.Interaction}).
 * </ul>
 *
 * <p>and by the share of the question's words that it has, by rarity. All of it is {@linkplain
 * com.shuttle.core.knowledge.Evidence evidence}. Whole vectors choose a hundred units, the rest ranks them. Vectors of pieces
 * are kept in 128 of their 384 dimensions ({@link com.shuttle.core.knowledge.Projection}).
 *
 * <p>A weighted sum of these ranks; the sum, its lead over the best other source and how much of the question is covered give
 * the confidence ({@link com.shuttle.core.knowledge.Calibration}). The lead tells most: visitors whose question is not
 * covered get several answers that are about equally near. A follow-up is compared alone and together with the question before,
 * and the evidence of the two is mixed. A message with several questions is taken apart, and each is answered that is
 * answered surely by itself.
 *
 * <h2>Fitting</h2>
 *
 * <p>Both steps were fitted to six made-up collections of other trades, with 362 questions they cover and 101 they do not
 * ({@code src/test/resources/knowledge}; {@code CalibrationFit} fits and prints what follows). A collection of allotments with 310
 * questions was never fitted to, but the models and the bands were chosen with its figures in sight. The share of covered
 * questions whose source comes first and among the first three, on collections left out of the fit and on the allotments; then
 * of the allotments' questions the shares answered rightly and wrongly at a confidence of {@code .55}, and of those not
 * covered the share refused:
 *
 * <pre>
 *                   left out       allotments
 * whole vectors     .682  .901     .741  .891    .53  .04  .84
 * pieces            .691  .867     .745  .911    .56  .04  .92
 * all               .696  .898     .745  .911    .55  .03  .89
 * all, 384 dim.     .691  .903     .753  .899    .57  .05  .87
 * </pre>
 *
 * <p>The six collections are small (22 units each) and gain little by pieces; collections of more than a hundred units gain more.
 * The share of words adds nothing that the models do not bring on these collections; it keeps a small weight for names and
 * numbers. How confidences hold (mean confidence, share of best matches that is right, and their number):
 *
 * <pre>
 *              left out               allotments
 * .2 to .4     .34 .33 (146)          .34 .19  (90)
 * .4 to .6     .49 .50 (153)          .48 .49  (82)
 * .6 to .8     .70 .70  (84)          .69 .84  (64)
 * .8 to 1      .90 .86  (80)          .91 .99  (74)
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
