package org.umberdial.server.stock.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.server.security.Caller;
import org.umberdial.server.stock.StockItem;
import org.umberdial.server.stock.StockMove;
import org.umberdial.server.stock.StockService;

/** What lies in the shop's drawers. */
@RestController
@RequestMapping("/api/stock")
class StockController {
    record StockItemView(String id, StockItem.Kind kind, String kindLabel, String name, String place, int onHand) {}

    record StockMoveView(
            String id,
            int quantity,
            StockMove.Reason reason,
            String reasonLabel,
            @Schema(nullable = true) String setId,
            String note,
            Instant at,
            String author) {}

    record StockItemEdit(
            @NotNull UUID id,
            @NotNull StockItem.Kind kind,
            @NotBlank @Size(max = 120) String name,
            @NotNull @Size(max = 80) String place,
            int quantity) {}

    /** {@code quantity} above 0 puts in, below 0 takes out. */
    record StockMoveEdit(
            @NotNull UUID id,
            int quantity,
            @NotNull StockMove.Reason reason,
            @Size(max = 36) @Schema(nullable = true) String setId,
            @NotNull @Size(max = 200) String note) {}

    private final StockService stock;

    StockController(StockService stock) {
        this.stock = stock;
    }

    @GetMapping
    List<StockItemView> stock(@AuthenticationPrincipal Caller caller) {
        return stock.items(caller.shopId()).stream().map(StockController::view).toList();
    }

    @PostMapping
    List<StockItemView> add(@AuthenticationPrincipal Caller caller, @Valid @RequestBody StockItemEdit edit) {
        stock.add(
                caller,
                new StockItem(
                        edit.id.toString(), edit.kind, edit.name.strip(), edit.place.strip(), Optional.empty(), 0),
                edit.quantity);
        return stock(caller);
    }

    @GetMapping("/{id}/moves")
    List<StockMoveView> moves(@AuthenticationPrincipal Caller caller, @PathVariable UUID id) {
        return stock.moves(caller.shopId(), id.toString()).stream()
                .map(StockController::view)
                .toList();
    }

    @PostMapping("/{id}/moves")
    List<StockItemView> move(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID id, @Valid @RequestBody StockMoveEdit edit) {
        stock.move(
                caller,
                new StockMove(
                        edit.id.toString(),
                        id.toString(),
                        edit.quantity,
                        edit.reason,
                        Optional.ofNullable(edit.setId),
                        edit.note.strip(),
                        Instant.EPOCH,
                        ""));
        return stock(caller);
    }

    private static StockItemView view(StockItem item) {
        return new StockItemView(item.id(), item.kind(), item.kind().label(), item.name(), item.place(), item.onHand());
    }

    private static StockMoveView view(StockMove move) {
        return new StockMoveView(
                move.id(),
                move.quantity(),
                move.reason(),
                move.reason().label(),
                move.setId().orElse(null),
                move.note(),
                move.at(),
                move.author());
    }
}
