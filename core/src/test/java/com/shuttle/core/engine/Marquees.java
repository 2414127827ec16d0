package com.shuttle.core.engine;

import java.util.Map;

/** A tent hire's bot, for visitors to talk with: it asks for money before heads, and for both before the day. */
final class Marquees {

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Main","phrases":[],"sections":[{"id":"s","title":"","steps":[
             {"kind":"choice","id":"occasion","ask":["What is the occasion?"],"variable":"occasion","together":true,"tries":5,
              "options":[{"id":"w","label":"Wedding"},{"id":"b","label":"Birthday"},
               {"id":"c","label":"Company party","also":["office party","company do"]},{"id":"v","label":"Village fair"}],
              "exits":{"picked":"step:budget"}},
             {"kind":"question","id":"budget","ask":["What would you like to spend at most?"],"type":"money",
              "variable":"budget","skipWhenKnown":true,"tries":5,"exits":{"answered":"step:people"}},
             {"kind":"question","id":"people","ask":["How many guests do you expect?"],"type":"number","variable":"people",
              "limits":{"min":1,"max":400,"whole":true},"skipWhenKnown":true,"tries":5,"exits":{"answered":"step:day"}},
             {"kind":"question","id":"day","ask":["For which day?"],"type":"date","variable":"day","skipWhenKnown":true,
              "tries":5,"exits":{"answered":"step:heating"}},
             {"kind":"question","id":"heating","ask":["Shall it be heated?"],"type":"yes_no","variable":"heating",
              "skipWhenKnown":true,"tries":5,"exits":{"answered":"step:name"}},
             {"kind":"question","id":"name","ask":["Whom may we ask for?"],"type":"person_name","variable":"name",
              "skipWhenKnown":true,"tries":5,"exits":{"answered":"step:phone"}},
             {"kind":"question","id":"phone","ask":["On which number can we ring you?"],"type":"phone","variable":"phone",
              "skipWhenKnown":true,"tries":5,"exits":{"answered":"step:done"}},
             {"kind":"message","id":"done","say":["We will ring you."],"exits":{"next":"end"}}]}]}""";

    static final Visitors VISITORS = new Visitors(
            FLOW,
            new FakeWorld()
                    .knows("deliver", "We bring it and put it up.", 0.9)
                    .knows("floor", "A wooden floor is in it.", 0.9),
            Map.of(
                    "occasion", "Wedding",
                    "budget", "£900",
                    "people", "60",
                    "day", "12 December 2026",
                    "heating", "yes",
                    "name", "Ida Marlow",
                    "phone", "020 7946 0018"),
            Map.of());

    private Marquees() {}
}
