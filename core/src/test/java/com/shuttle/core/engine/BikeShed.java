package com.shuttle.core.engine;

import java.util.Map;

/** A bicycle workshop's bot, for visitors to talk with: its choice leads different ways, and it asks for a yes or no. */
final class BikeShed {

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Main","phrases":[],"sections":[{"id":"s","title":"","steps":[
             {"kind":"choice","id":"service","ask":["What can we do for you?"],"variable":"service","tries":5,
              "options":[{"id":"r","label":"Repair"},{"id":"h","label":"Hire","also":["rent","rental"]}],
              "exits":{"option:r":"step:wrong","option:h":"step:bikes"}},
             {"kind":"question","id":"wrong","ask":["What is wrong with it?"],"type":"long_text","variable":"wrong",
              "skipWhenKnown":true,"exits":{"answered":"step:day"}},
             {"kind":"question","id":"bikes","ask":["How many bikes?"],"type":"number","variable":"bikes",
              "limits":{"min":1,"max":12,"whole":true},"skipWhenKnown":true,"tries":5,"exits":{"answered":"step:day"}},
             {"kind":"question","id":"day","ask":["From which day?"],"type":"date","variable":"day","skipWhenKnown":true,
              "tries":5,"exits":{"answered":"step:days"}},
             {"kind":"question","id":"days","ask":["For how many days?"],"type":"number","variable":"days",
              "limits":{"min":1,"max":30,"whole":true},"skipWhenKnown":true,"tries":5,"exits":{"answered":"step:helmets"}},
             {"kind":"question","id":"helmets","ask":["Do you need helmets?"],"type":"yes_no","variable":"helmets",
              "skipWhenKnown":true,"tries":5,"exits":{"answered":"step:name"}},
             {"kind":"question","id":"name","ask":["Whose name may I note?"],"type":"person_name","variable":"name",
              "skipWhenKnown":true,"tries":5,"exits":{"answered":"step:contact"}},
             {"kind":"choice","id":"contact","ask":["How shall we reach you?"],"variable":"contact","together":true,"tries":5,
              "options":[{"id":"p","label":"Phone","also":["call"]},{"id":"t","label":"Text message"},
               {"id":"e","label":"Email","also":["mail"]}],"exits":{"picked":"step:phone"}},
             {"kind":"question","id":"phone","ask":["And your number?"],"type":"phone","variable":"phone","skipWhenKnown":true,
              "tries":5,"exits":{"answered":"step:done"}},
             {"kind":"message","id":"done","say":["See you, {{name.first}}."],"exits":{"next":"end"}}]}]}""";

    static final Visitors VISITORS = new Visitors(
            FLOW,
            new FakeWorld()
                    .knows("seats", "Child seats fit every bike.", 0.9)
                    .knows("rains", "In rain you may come another day.", 0.9),
            Map.of(
                    "service", "Hire",
                    "bikes", "2",
                    "day", "10 December 2026",
                    "days", "1",
                    "helmets", "yes",
                    "name", "Joss Weir",
                    "contact", "Phone",
                    "phone", "020 7946 0018"),
            Map.of(
                    "service", "Hire",
                    "bikes", "2",
                    "day", "2026-12-10",
                    "days", "1",
                    "helmets", "yes",
                    "name", "Joss Weir",
                    "contact", "Phone"));

    private BikeShed() {}
}
