package com.shuttle.core.engine;

import java.util.Map;

/** A pottery workshop's bot, for visitors to talk with. */
final class ClayBarn {

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Main","phrases":[],"sections":[{"id":"s","title":"","steps":[
             {"kind":"choice","id":"class","ask":["What would you like to do?"],"variable":"class","together":true,"tries":5,
              "options":[{"id":"w","label":"Wheel"},{"id":"h","label":"Hand building"},{"id":"g","label":"Glazing day"},
               {"id":"k","label":"Kids' club"}],"exits":{"picked":"step:people"}},
             {"kind":"question","id":"people","ask":["How many of you will come?"],"type":"number","variable":"people",
              "limits":{"min":1,"max":10,"whole":true},"skipWhenKnown":true,"tries":5,"exits":{"answered":"step:day"}},
             {"kind":"question","id":"day","ask":["Which day suits you?"],"type":"date","variable":"day","skipWhenKnown":true,
              "tries":5,"exits":{"answered":"step:time"}},
             {"kind":"question","id":"time","ask":["What time would you like to start?"],"type":"time","variable":"time",
              "skipWhenKnown":true,"tries":5,"exits":{"answered":"step:extras"}},
             {"kind":"choice","id":"extras","ask":["Would you like anything with it?"],"many":true,"variable":"extras","tries":5,
              "options":[{"id":"a","label":"Apron"},{"id":"l","label":"Lunch","also":["food","meal"]},
               {"id":"c","label":"Extra clay"}],"exits":{"picked":"step:budget"}},
             {"kind":"question","id":"budget","ask":["Roughly how much would you like to spend?"],"type":"money",
              "variable":"budget","skipWhenKnown":true,"tries":5,"exits":{"answered":"step:name"}},
             {"kind":"question","id":"name","ask":["What name is it under?"],"type":"person_name","variable":"name",
              "skipWhenKnown":true,"tries":5,"exits":{"answered":"step:email"}},
             {"kind":"question","id":"email","ask":["Where shall I send the confirmation?"],"type":"email","variable":"email",
              "skipWhenKnown":true,"tries":5,"exits":{"answered":"step:done"}},
             {"kind":"message","id":"done","say":["Thank you, {{name.first}}."],"exits":{"next":"end"}}]}]}""";

    static final Visitors VISITORS = new Visitors(
            FLOW,
            new FakeWorld()
                    .knows("park", "Behind the barn, for nothing.", 0.9)
                    .knows("cost", "From 25 pounds a head.", 0.9)
                    .knows("age", "From five years up.", 0.9),
            Map.of(
                    "class", "Hand building",
                    "people", "3",
                    "day", "12 December 2026",
                    "time", "10:00",
                    "extras", "Lunch",
                    "budget", "£100",
                    "name", "Ida Marlow",
                    "email", "ida@example.org"),
            Map.of(
                    "class", "Hand building",
                    "people", "3",
                    "day", "2026-12-12",
                    "time", "10:00",
                    "extras", "Lunch",
                    "budget", "100",
                    "name", "Ida Marlow",
                    "email", "ida@example.org"));

    private ClayBarn() {}
}
