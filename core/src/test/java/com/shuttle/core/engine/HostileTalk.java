package com.shuttle.core.engine;

import static com.shuttle.core.flow.FlowBuilder.flow;

import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.State;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.ValueType;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

/** Conversations that stand at a question each, to be said anything to. */
public final class HostileTalk {

    private static final List<ValueType> UNASKED = List.of(ValueType.CHOICE, ValueType.MULTI_CHOICE, ValueType.FILE);

    private final List<Talk> talks;
    private final List<State> states;

    public HostileTalk() {
        String facts = Arrays.stream(ValueType.values())
                .filter(type -> !UNASKED.contains(type) && type != ValueType.SECRET)
                .map(type -> "{'variable':'a_%1$s','label':'the %1$s','type':'%1$s'}".formatted(type.key()))
                .collect(Collectors.joining(","));
        Flow interview = flow("main")
                .json("{'kind':'interview','id':'i','ask':['Tell me about it.'],'facts':[" + facts
                        + "],'exits':{'complete':'end'}}")
                .build();
        Flow choice = flow("main")
                .json(
                        "{'kind':'choice','id':'c','ask':['Which?'],'options':[{'id':'a','label':'Evening under the dome'},"
                                + "{'id':'b','label':'School visit'}],'exits':{'option:a':'step:i','option:b':'step:i'}}")
                .json("{'kind':'interview','id':'i','ask':['Tell me about it.'],'facts':[" + facts
                        + "],'exits':{'complete':'end'}}")
                .build();
        talks = List.of(
                Talk.with(new FakeWorld().knows("parking", "Parking is free.", 0.9), interview),
                Talk.with(new FakeWorld().knows("parking", "Parking is free.", 0.4), choice));
        states = talks.stream().map(talk -> talk.state).toList();
    }

    /** Says a text within an interview; nothing comes of it. Blank texts are never events. */
    public void inAnInterview(String text) {
        say(0, text);
    }

    public void atAChoice(String text) {
        say(1, text);
    }

    private void say(int at, String text) {
        Talk talk = talks.get(at);
        if (!text.isBlank()) {
            Engine.take(talk.playbook, states.get(at), new Event.Said(talk.stamp(), text), talk.ports);
        }
    }
}
