package org.umberdial.server.lan;

import java.io.IOException;
import java.io.InputStream;
import java.math.BigInteger;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.security.cert.CertificateFactory;
import java.security.cert.X509Certificate;
import java.security.spec.ECGenParameterSpec;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.Date;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.bouncycastle.asn1.x500.X500Name;
import org.bouncycastle.asn1.x509.BasicConstraints;
import org.bouncycastle.asn1.x509.ExtendedKeyUsage;
import org.bouncycastle.asn1.x509.Extension;
import org.bouncycastle.asn1.x509.GeneralName;
import org.bouncycastle.asn1.x509.GeneralNames;
import org.bouncycastle.asn1.x509.KeyPurposeId;
import org.bouncycastle.asn1.x509.KeyUsage;
import org.bouncycastle.cert.jcajce.JcaX509CertificateConverter;
import org.bouncycastle.cert.jcajce.JcaX509v3CertificateBuilder;
import org.bouncycastle.openssl.jcajce.JcaPEMWriter;
import org.bouncycastle.openssl.jcajce.JcaPKCS8Generator;
import org.bouncycastle.operator.OperatorCreationException;
import org.bouncycastle.operator.jcajce.JcaContentSignerBuilder;

/** A certificate this machine makes for itself, kept until it runs out or the machine is found elsewhere. */
record LanCertificate(Path certificate, Path key) {
    /** What browsers still accept of a certificate's life. */
    private static final Duration LIFE = Duration.ofDays(397);

    private static final Duration RENEWED_BEFORE = Duration.ofDays(30);
    private static final int IP_ADDRESS = 7;

    /** The one kept at a place, or a new one there, if that one does not name all addresses or ends soon. */
    static LanCertificate at(Path place, List<String> addresses, Instant now)
            throws IOException, GeneralSecurityException {
        Files.createDirectories(place);
        LanCertificate kept = new LanCertificate(place.resolve("certificate.pem"), place.resolve("key.pem"));
        if (!Files.exists(kept.certificate) || !Files.exists(kept.key) || !kept.serves(addresses, now)) {
            kept.make(addresses, now);
        }
        return kept;
    }

    X509Certificate read() throws IOException, GeneralSecurityException {
        try (InputStream in = Files.newInputStream(certificate)) {
            return (X509Certificate) CertificateFactory.getInstance("X.509").generateCertificate(in);
        }
    }

    /** SHA-256 of the certificate in pairs of digits, as browsers show it. */
    String fingerprint() throws IOException, GeneralSecurityException {
        return HexFormat.ofDelimiter(":")
                .withUpperCase()
                .formatHex(MessageDigest.getInstance("SHA-256").digest(read().getEncoded()));
    }

    private boolean serves(List<String> addresses, Instant now) throws IOException, GeneralSecurityException {
        X509Certificate known = read();
        Collection<List<?>> names = known.getSubjectAlternativeNames();
        Set<String> named = new HashSet<>();
        if (names != null) {
            names.forEach(name -> named.add(String.valueOf(name.get(1)).toLowerCase(Locale.ROOT)));
        }
        return named.containsAll(addresses) && known.getNotAfter().toInstant().isAfter(now.plus(RENEWED_BEFORE));
    }

    private void make(List<String> addresses, Instant now) throws IOException, GeneralSecurityException {
        KeyPairGenerator generator = KeyPairGenerator.getInstance("EC");
        generator.initialize(new ECGenParameterSpec("secp256r1"));
        KeyPair pair = generator.generateKeyPair();
        X500Name self = new X500Name("CN=Umber Dial in this shop");
        GeneralName[] names = addresses.stream()
                .map(address -> new GeneralName(address.matches("[0-9.]+") ? IP_ADDRESS : GeneralName.dNSName, address))
                .toArray(GeneralName[]::new);
        try {
            var builder = new JcaX509v3CertificateBuilder(
                    self,
                    new BigInteger(128, new SecureRandom()),
                    Date.from(now.minus(Duration.ofDays(1))),
                    Date.from(now.plus(LIFE)),
                    self,
                    pair.getPublic());
            builder.addExtension(Extension.basicConstraints, true, new BasicConstraints(false));
            builder.addExtension(Extension.keyUsage, true, new KeyUsage(KeyUsage.digitalSignature));
            builder.addExtension(
                    Extension.extendedKeyUsage, false, new ExtendedKeyUsage(KeyPurposeId.id_kp_serverAuth));
            builder.addExtension(Extension.subjectAlternativeName, false, new GeneralNames(names));
            X509Certificate made = new JcaX509CertificateConverter()
                    .getCertificate(
                            builder.build(new JcaContentSignerBuilder("SHA256withECDSA").build(pair.getPrivate())));
            write(key, new JcaPKCS8Generator(pair.getPrivate(), null));
            write(certificate, made);
        } catch (OperatorCreationException e) {
            throw new GeneralSecurityException(e);
        }
    }

    private static void write(Path file, Object content) throws IOException {
        Files.deleteIfExists(file);
        Files.createFile(file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        try (JcaPEMWriter out = new JcaPEMWriter(Files.newBufferedWriter(file))) {
            out.writeObject(content);
        }
    }
}
