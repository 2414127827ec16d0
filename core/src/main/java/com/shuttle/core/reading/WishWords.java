package com.shuttle.core.reading;

import java.util.Set;

/** Words around a wish for a time that say nothing of it. */
final class WishWords {

    static final Set<String> SAY_NOTHING = Set.of(
            ("a able very manage spare about actually afraid afternoon again ah all alright also am an and any anything"
                            + " appointment appointments are around arrange as ask at availability available be been best"
                            + " bet better between bit book booking both but by can check clock come comes convenient could"
                            + " couldn't d date date'd dates day days did do does done drop during earlier earliest early"
                            + " easiest either else end er even evening ever everything failing find fine fit fits fix for"
                            + " free from fully get give given go going good got great guess had half happy has have having"
                            + " hello hey hi hmm hmmm hope hoping how i i'd i'll i'm i've ideal ideally if im in instead is"
                            + " it it'd it's its just kind kindly late later let let's like little ll looking love lovely m"
                            + " make makes many maybe me meet might mind mine month months more morning most much my need"
                            + " needs next nice no nothing o'clock oclock of off offer oh ok okay on one ones only"
                            + " opening openings option options or other our out over past perfect perhaps please pls pop possible"
                            + " possibly prefer preferably preference preferred probably put quite rather re really roughly"
                            + " s same say schedule see set shall she should show slot slots so some something sometime soon"
                            + " sooner sorry sort spot start still suit suitable suits sure t take thank thanks that that's"
                            + " thats the them then there there's these they thing think this those though time times to too"
                            + " try trying um up us usually ve visit wait want wanted was we we'd we'll we're we've week"
                            + " weeks well were what what's whatever when which while will wish with within wonder work"
                            + " works would wouldn't yeah yep yes yet you you've your")
                    .split(" "));

    private WishWords() {}
}
