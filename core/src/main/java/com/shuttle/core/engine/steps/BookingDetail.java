package com.shuttle.core.engine.steps;

import com.shuttle.core.flow.Check;
import com.shuttle.core.flow.Limits;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import java.util.List;

/**
 * Something of whoever comes that an Appointment step asks for itself where it is not known yet.
 *
 * @param variable that it is kept in
 * @param ask      the question
 */
record BookingDetail(String variable, ValueType type, String ask) implements Wanted {

    @Override
    public Limits limits() {
        return Limits.NONE;
    }

    @Override
    public List<Check> checks() {
        return List.of();
    }

    @Override
    public String retry() {
        return "";
    }

    @Override
    public String example() {
        return "";
    }

    @Override
    public List<Option> options() {
        return List.of();
    }

    @Override
    public boolean optional() {
        return false;
    }

    @Override
    public String called() {
        return type.label();
    }
}
