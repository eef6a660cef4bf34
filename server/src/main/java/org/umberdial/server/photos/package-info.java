/**
 * The pictures of a set: taken in, shrunk, captioned, compared. Their bytes are kept in the database, apart from their
 * descriptions.
 */
package org.umberdial.server.photos;
