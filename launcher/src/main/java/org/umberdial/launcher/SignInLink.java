package org.umberdial.launcher;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.UUID;

/**
 * A one-time link made at the machine: the way back after a lost password. Whoever can run this can read the database
 * anyway.
 */
final class SignInLink {
    private SignInLink() {}

    /**
     * Makes one for a person, or for the first owner when no name is given. Its time is the database's, which is UTC.
     *
     * @return the token
     * @throws Refused when nobody signs in by that name
     */
    static String make(Tables tables, String name) {
        try (Connection db = tables.connection()) {
            String found = account(db, name);
            String token = UUID.randomUUID().toString();
            try (PreparedStatement link = db.prepareStatement(
                    "INSERT INTO one_time_tokens VALUES (?, ?, DATE_ADD(UTC_TIMESTAMP(6), INTERVAL 10 MINUTE))")) {
                link.setString(1, token);
                link.setString(2, found);
                link.executeUpdate();
            }
            try (PreparedStatement event = db.prepareStatement(
                    "INSERT INTO account_event (shop_id, happened_at, actor, kind, subject, address) SELECT "
                            + "shop_id, UTC_TIMESTAMP(6), 'command line', 'LINK_MADE', shown_name, '' FROM "
                            + "account WHERE name = ?")) {
                event.setString(1, found);
                event.executeUpdate();
            }
            return token;
        } catch (SQLException e) {
            throw new Refused("The database cannot be written to: " + e.getMessage(), e);
        }
    }

    private static String account(Connection db, String name) throws SQLException {
        String sql = name.isEmpty()
                ? "SELECT name FROM account WHERE role = 'OWNER' AND NOT closed AND ? = '' ORDER BY created_at LIMIT 1"
                : "SELECT name FROM account WHERE name = ? AND NOT closed";
        try (PreparedStatement select = db.prepareStatement(sql)) {
            select.setString(1, name);
            try (ResultSet row = select.executeQuery()) {
                if (!row.next()) {
                    throw new Refused("nobody signs in as " + (name.isEmpty() ? "owner" : name)
                            + " here; ./umber start makes the first owner");
                }
                return row.getString(1);
            }
        }
    }
}
