package org.umberdial.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.google.gson.JsonObject;
import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.ReaderException;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.Cookie;
import com.microsoft.playwright.options.SameSiteAttribute;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A shop of one's own from its first start: the owner at the machine, a phone in the shop's network. */
class DoorJourneyTest {
    private static final String PASSWORD = "walnut drawer lantern fog";
    /** The line and the round corners about a code, in pixels; the white about it is 24 wide. */
    private static final int FRAME = 8;

    private static final Path PICTURE = Path.of(
                    "..", "core", "src", "main", "resources", "org", "umberdial", "core", "demo", "table-set-back.jpg")
            .toAbsolutePath()
            .normalize();

    @TempDir
    static Path home;

    private static Application machine;
    private static Browser browser;
    private static int lanPort;

    @BeforeAll
    static void open() throws IOException {
        browser = new Browser();
        Application first = Application.empty();
        try {
            firstStart(first);
        } finally {
            first.close();
        }
        lanPort = Application.freePort();
        machine = first.with(
                "--umber.lan.open=true",
                "--umber.lan.port=" + lanPort,
                "--umber.lan.addresses=127.0.0.1,bench.test",
                "--umber.home=" + home);
    }

    @AfterAll
    static void close() {
        browser.close();
        machine.close();
    }

    @AfterEach
    void closePages() {
        browser.closePages();
    }

    /** By the keyboard alone: a password that is easily guessed is refused at its field and nothing typed is lost. */
    private static void firstStart(Application first) {
        Page page = browser.page(1280, 800);
        page.navigate(first.address("/sets/anything"));
        assertThat(page).hasURL(first.address("/welcome"));
        page.getByLabel("The shop’s name").focus();
        for (String typed : List.of("Corner bench", "Ada", "ada", "password1234")) {
            page.keyboard().type(typed);
            page.keyboard().press("Tab");
        }
        page.keyboard().press("Enter");
        assertThat(page.getByText("easily guessed")).isVisible();
        assertThat(page.getByLabel("The shop’s name")).hasValue("Corner bench");
        page.getByLabel("Password").fill(PASSWORD);
        page.keyboard().press("Enter");
        assertThat(page.getByText("The shelf is empty")).isVisible();
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Ada")))
                .isVisible();
        browser.closePages();
    }

    private static Page signedIn() {
        Page page = browser.page(1280, 800);
        page.navigate(machine.address("/house/people"));
        assertThat(page).hasURL(Pattern.compile("/sign-in\\?to=/house/people$"));
        page.getByLabel("Name").fill("ada");
        page.getByLabel("Password").fill(PASSWORD);
        page.getByLabel("Password").press("Enter");
        assertThat(page).hasURL(machine.address("/house/people"));
        return page;
    }

    @Test
    void aPhone_pairsByTheCode_andWhatItTakesIsSeenAtTheDesk() throws IOException, ReaderException {
        Page desk = signedIn();
        desk.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Link for Ada"))
                .click();
        String link =
                read(desk.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName("QR code of the link for Ada")));
        assertTrue(link.startsWith("https://127.0.0.1:" + lanPort + "/pair#"), link);
        desk.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Done"))
                .click();
        desk.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Shelf"))
                .click();
        desk.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take in a set"))
                .first()
                .click();
        desk.getByLabel("Title").fill("Small green set");
        desk.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("How it gets its power"))
                .click();
        desk.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions()
                                .setName("AC/DC series string")
                                .setExact(true))
                .click();
        desk.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Its circuit"))
                .click();
        desk.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(Pattern.compile("^Usual")))
                .first()
                .click();
        desk.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take in the set"))
                .click();
        assertThat(desk).hasURL(Pattern.compile("/sets/[0-9a-f-]{36}"));
        String set = desk.url().replaceFirst(".*(/sets/[0-9a-f-]{36}).*", "$1");
        desk.navigate(machine.address(set + "/arrival/photos"));

        Page phone = browser.page(390, 844);
        phone.navigate(link);
        phone.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign this device in"))
                .click();
        assertThat(phone.getByText("Small green set")).isVisible();
        assertFalse(phone.url().contains("#"));
        Cookie cookie = phone.context().cookies().get(0);
        assertTrue(cookie.secure && cookie.httpOnly && cookie.sameSite == SameSiteAttribute.STRICT, cookie.name);
        phone.navigate("https://127.0.0.1:" + lanPort + set + "/arrival/photos");
        phone.getByLabel("Take a photo").setInputFiles(PICTURE);
        assertThat(desk.getByRole(
                        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^This set \\(1\\)"))))
                .isVisible();

        phone.context().setOffline(true);
        phone.getByLabel("Take a photo").setInputFiles(PICTURE);
        Locator waits = phone.getByRole(
                AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("Waiting for the connection"));
        assertThat(waits).containsText("One entry waits");
        phone.context().setOffline(false);
        assertThat(desk.getByRole(
                        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^This set \\(2\\)"))))
                .isVisible();
        assertThat(waits).hasCount(0);
        readingsOffTheAir(desk, phone, set);
        // A link is good for one device.
        Page other = browser.page(390, 844);
        other.navigate(link);
        other.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign this device in"))
                .click();
        assertThat(other.getByRole(AriaRole.ALERT)).containsText("has been used");
    }

    /** Five on the phone without a connection: counted there, and at the desk once each when it is back. */
    private static void readingsOffTheAir(Page desk, Page phone, String set) {
        desk.navigate(machine.address(set + "/volts"));
        // Near what a healthy set shows there, or each would be asked about.
        String point = (String) desk.evaluate(
                "set => fetch('/api' + set + '/volts').then(r => r.json()).then(v => v.points.find(p => "
                        + "p.expected > 50)).then(p => p.name + ' ' + Math.floor(p.expected / 10))",
                set);
        phone.navigate("https://127.0.0.1:" + lanPort + set + "/volts");
        assertThat(phone.locator("#entry")).isVisible();
        phone.context().setOffline(true);
        Locator waits = phone.getByRole(
                AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("Waiting for the connection"));
        for (int i = 1; i <= 5; i++) {
            phone.locator("#entry").fill(point + i);
            phone.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Keep"))
                    .click();
            assertThat(waits).containsText(i == 1 ? "One entry waits" : i + " entries wait");
        }
        phone.context().setOffline(false);
        assertThat(waits).hasCount(0);
        assertThat(desk.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Points in probing order")))
                .containsText(point.substring(point.lastIndexOf(' ') + 1) + "5");
        String kept = (String) desk.evaluate(
                "set => fetch('/api' + set + '/log?kinds=reading').then(r => r.json()).then(log => log.lines.map(one => "
                        + "one.figure.replace(/\\D/g, '').slice(-1) + one.author.split(',')[0]).reverse().join(' '))",
                set);
        assertEquals("1Ada 2Ada 3Ada 4Ada 5Ada", kept);
    }

    @Test
    void aViewer_isToldWhatIsNotTheirs_andTheOwnerEndsASessionAtOnce() {
        Page owner = signedIn();
        owner.getByLabel("Name beside readings").fill("Vi");
        owner.getByLabel("Name to sign in with").fill("vi");
        owner.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Role Bench"))
                .last()
                .click();
        owner.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Viewer"))
                .click();
        owner.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add, and make the link"))
                .click();
        String link = owner.locator("[data-link]").textContent();
        Page viewer = browser.page(820, 1180);
        viewer.navigate(link.strip());
        viewer.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign this device in"))
                .click();
        viewer.getByLabel("New password").fill("copper kettle violin moss");
        viewer.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Save the password"))
                .click();
        assertThat(viewer.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName("Shelf").setExact(true)))
                .isVisible();
        assertThat(viewer.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("People")))
                .hasCount(0);
        owner.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Done"))
                .click();
        owner.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Close: Vi"))
                .click();
        assertThat(owner.getByText("Ada closed Vi’s account")).isVisible();
        viewer.reload();
        assertThat(viewer).hasURL(Pattern.compile("/sign-in"));
    }

    @Test
    void aSessionThatEnds_leavesThePageUnderAQuestion() {
        Page page = signedIn();
        page.getByLabel("Name beside readings").fill("Half typed");
        page.context().clearCookies();
        page.getByLabel("Name to sign in with").fill("half");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add, and make the link"))
                .click();
        Locator again = page.getByRole(AriaRole.DIALOG, new Page.GetByRoleOptions().setName("You are signed out"));
        again.getByLabel("Password").fill(PASSWORD);
        again.getByLabel("Password").press("Enter");
        assertThat(again).hasCount(0);
        assertThat(page.getByLabel("Name beside readings")).hasValue("Half typed");
    }

    @Test
    void aPasskey_letsItsPersonIn() {
        Page page = signedIn();
        String local = machine.address("").replace("127.0.0.1", "localhost");
        CDPSession devices = page.context().newCDPSession(page);
        devices.send("WebAuthn.enable");
        JsonObject options = new JsonObject();
        options.addProperty("protocol", "ctap2");
        options.addProperty("transport", "internal");
        options.addProperty("hasResidentKey", true);
        options.addProperty("hasUserVerification", true);
        options.addProperty("isUserVerified", true);
        options.addProperty("automaticPresenceSimulation", true);
        JsonObject device = new JsonObject();
        device.add("options", options);
        String authenticator = devices.send("WebAuthn.addVirtualAuthenticator", device)
                .get("authenticatorId")
                .getAsString();
        page.navigate(local + "/sign-in");
        page.getByLabel("Name").fill("ada");
        page.getByLabel("Password").fill(PASSWORD);
        page.getByLabel("Password").press("Enter");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Ada"))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Make a passkey here"))
                .click();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Forget the passkey")))
                .hasCount(1);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Sign out").setExact(true))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("With a passkey"))
                .click();
        assertThat(page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName("Shelf").setExact(true)))
                .isVisible();
        page.navigate(local + "/house/people");
        assertThat(page.getByText("Ada signed in by passkey")).isVisible();
        page.navigate(local + "/account");
        Locator forget = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Forget the passkey"));
        // A browser that does not ask for finger, face or PIN: the server does.
        JsonObject unverified = new JsonObject();
        unverified.addProperty("authenticatorId", authenticator);
        unverified.addProperty("isUserVerified", false);
        devices.send("WebAuthn.setUserVerified", unverified);
        assertEquals(401, page.evaluate("""
                async () => {
                  const send = (path, body) => fetch(path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) })
                  const question = await (await send('/webauthn/authenticate/options', {})).json()
                  question.userVerification = 'discouraged'
                  const answer = await navigator.credentials.get({ publicKey: PublicKeyCredential.parseRequestOptionsFromJSON(question) })
                  return (await send('/login/webauthn', answer.toJSON())).status
                }"""));
        forget.click();
        assertThat(forget).hasCount(0);
    }

    /** The dialog may still be coming in; a picture of a half of it holds no code. */
    private static String read(Locator code) throws IOException, ReaderException {
        for (int picture = 1; picture < 20; picture++) {
            try {
                return decode(code);
            } catch (ReaderException notYet) {
                continue;
            }
        }
        return decode(code);
    }

    /**
     * The text of the code on the screen. The reader's search for the three corners takes other squares for them in
     * about one link of 130, always the same ones; as the picture is square to the page, the code can also be read
     * without that search once its frame is cut off.
     */
    private static String decode(Locator code) throws IOException, ReaderException {
        BufferedImage picture = ImageIO.read(new ByteArrayInputStream(code.screenshot()));
        BufferedImage inside =
                picture.getSubimage(FRAME, FRAME, picture.getWidth() - 2 * FRAME, picture.getHeight() - 2 * FRAME);
        try {
            return decode(inside, DecodeHintType.TRY_HARDER);
        } catch (ReaderException cornersMistaken) {
            return decode(inside, DecodeHintType.PURE_BARCODE);
        }
    }

    private static String decode(BufferedImage picture, DecodeHintType way) throws ReaderException {
        int[] pixels = picture.getRGB(0, 0, picture.getWidth(), picture.getHeight(), null, 0, picture.getWidth());
        return new QRCodeReader()
                .decode(
                        new BinaryBitmap(new HybridBinarizer(
                                new RGBLuminanceSource(picture.getWidth(), picture.getHeight(), pixels))),
                        Map.of(way, true))
                .getText();
    }
}
