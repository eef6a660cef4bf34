package org.umberdial.server.accounts;

import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Component;
import org.umberdial.server.lan.Lan;

/**
 * Keeps a shop that nobody owns off the network: whoever came first would own it. Looked at before any port is opened.
 */
@Component
class OwnedBeforeOpened implements SmartInitializingSingleton {
    private final AccountService accounts;
    private final Lan lan;

    OwnedBeforeOpened(AccountService accounts, Lan lan) {
        this.accounts = accounts;
        this.lan = lan;
    }

    @Override
    public void afterSingletonsInstantiated() {
        if (!lan.addresses().isEmpty() && !accounts.opened()) {
            throw new IllegalStateException(
                    "Nobody owns this shop yet, so it is not opened to the network: start it without "
                            + "umber.lan.open, open it in a browser on this machine, make the owner, then "
                            + "start it again.");
        }
    }
}
