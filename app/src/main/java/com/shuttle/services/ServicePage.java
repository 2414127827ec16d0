package com.shuttle.services;

import com.shuttle.core.service.Kind;
import com.shuttle.core.service.Service;
import com.shuttle.core.service.Service.Header;
import com.shuttle.core.service.Service.Input;
import com.shuttle.core.service.Service.Output;
import com.shuttle.core.service.Service.Result;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/**
 * A service as it is written, with a blank row at the end of each list.
 *
 * @param faults what it lacks, by the place
 */
record ServicePage(StoredService stored, Map<String, String> faults) {

    private static final Input NO_INPUT = new Input("", Kind.TEXT, false, "");
    private static final Header NO_HEADER = new Header("", "");
    private static final Output NO_OUTPUT = new Output("", Kind.TEXT, "", "");
    private static final Result NO_RESULT = new Result("", "", "", "", "");

    public Service service() {
        return stored.draft();
    }

    public List<Input> inputs() {
        return and(service().inputs(), NO_INPUT);
    }

    public List<Header> headers() {
        return and(service().request().headers(), NO_HEADER);
    }

    public List<Output> outputs() {
        return and(service().outputs(), NO_OUTPUT);
    }

    public List<Result> results() {
        return and(service().results(), NO_RESULT);
    }

    private static <T> List<T> and(List<T> some, T blank) {
        List<T> all = new ArrayList<>(some);
        all.add(blank);
        return all;
    }

    /** The kinds that can go in. */
    public List<Kind> inputKinds() {
        return Arrays.stream(Kind.values()).filter(kind -> kind != Kind.LIST).toList();
    }

    public Kind[] outputKinds() {
        return Kind.values();
    }

    public Service.BodyForm[] bodyForms() {
        return Service.BodyForm.values();
    }

    public List<String> methods() {
        return ServiceForms.METHODS;
    }

    /** What is wrong at a place; empty where nothing is. */
    public String fault(String place) {
        return faults.getOrDefault(place, "");
    }

    /** Whether a call is safe to repeat of its own accord. */
    public boolean repeatsAnyway() {
        return service().mayRepeat() && !service().care().repeatable();
    }
}
