package com.shuttle.releases;

import com.shuttle.core.edit.LeadsKept;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.Release;
import com.shuttle.web.Json;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.function.UnaryOperator;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.springframework.stereotype.Component;

/** Bots from before go on making leads: drafts as they are now, and releases, get the step that makes one ({@link LeadsKept}). */
@Component
class V34__SaveLeads extends BaseJavaMigration {

    private static final String DRAFTS = "select e.bot_id, e.flow_key, e.edit, e.document from flow_edit e"
            + " join flow f on f.bot_id = e.bot_id and f.flow_key = e.flow_key and f.edit = e.edit";

    @Override
    public void migrate(Context context) throws Exception {
        Connection connection = context.getConnection();
        try (Statement read = connection.createStatement();
                PreparedStatement write = connection.prepareStatement(
                        "update flow_edit set document = ? where bot_id = ? and flow_key = ? and edit = ?");
                ResultSet drafts = read.executeQuery(DRAFTS)) {
            while (drafts.next()) {
                write.setString(2, drafts.getString(1));
                write.setString(3, drafts.getString(2));
                write.setInt(4, drafts.getInt(3));
                changed(write, drafts.getString(4), V34__SaveLeads::flow);
            }
        }
        try (Statement read = connection.createStatement();
                PreparedStatement write = connection.prepareStatement("update release set document = ? where id = ?");
                ResultSet releases = read.executeQuery("select id, document from release")) {
            while (releases.next()) {
                write.setString(2, releases.getString(1));
                changed(write, releases.getString(2), V34__SaveLeads::release);
            }
        }
    }

    private static void changed(PreparedStatement write, String document, UnaryOperator<String> change)
            throws SQLException {
        String after = change.apply(document);
        if (!after.equals(document)) {
            write.setString(1, after);
            write.executeUpdate();
        }
    }

    private static String flow(String document) {
        Flow before = FlowJson.readTrusted(document);
        Flow after = LeadsKept.in(before);
        return after.equals(before) ? document : FlowJson.write(after);
    }

    private static String release(String document) {
        Release before = Json.read(document, Release.class);
        Release after = new Release(
                before.number(),
                before.profile(),
                before.mainFlow(),
                before.flows().stream().map(LeadsKept::in).toList(),
                before.variables(),
                before.standing(),
                before.cards());
        return after.equals(before) ? document : Json.write(after);
    }
}
