<?php

declare(strict_types=1);

namespace Elmstone\Orders;

use Brick\Math\BigDecimal;
use Elmstone\Agreements\AgreedLine;
use Elmstone\Agreements\AgreedLines;
use Elmstone\Agreements\KeepAsDeposit;
use Elmstone\Books\Books;
use Elmstone\Books\DocumentApprovals;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Held\Ledger\Movement;
use Elmstone\MoneyOut\HandBack;
use Elmstone\Orders\Picking\Pick;
use Elmstone\Orders\Supply\SupplyCharge;
use Elmstone\Orders\Supply\SupplyInOffice;
use Elmstone\Receivables\Ledger\FeeDraft;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Ramsey\Uuid\Uuid;

/**
 * Changes an order: more of a line or less, lines in and out, another day or way or contact. What is taken off is
 * cancelled: what was set aside is free, what was paid beyond what is still ordered becomes a deposit of the
 * customer's, less the fee. Each change is a revision on record.
 */
final class ChangeOrder
{
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly OrderLedger $ledger,
        private readonly AgreedLines $lines,
        private readonly StockLedger $stock,
        private readonly OrderTerms $terms,
        private readonly SupplyCharge $charge,
        private readonly FeeDraft $fees,
        private readonly KeepAsDeposit $keepAsDeposit,
        private readonly HandBack $approvals,
    ) {
    }

    /**
     * @return Order as it is then
     *
     * @throws Refused changed_elsewhere, not_open, below_supplied, line_cancelled, reason_missing, wanted_past,
     *     wanted_closed, no_address, nothing_changed, off_sale, and what needs approval
     */
    public function handle(int $id, int $version, OrderChange $change, Till $till, Staff $by): Order
    {
        $lock = function () use ($id, $change): Changing {
            $account = $this->ledger->lockAccountOf($id);
            // Deposits are locked before agreements everywhere.
            $deposits = $this->ledger->lockDepositsOf($id);
            $order = $this->ledger->lock($id)
                ->load(['progress', 'allLines.item', 'customer.type.priceLevel', 'location.taxProfile.components']);
            $moving = new GoodsMoving;

            foreach ($order->progress as $line) {
                $line->item_id === null || $moving->out($line->item_id, $line->location_id);
            }

            foreach ($change->added as [$item]) {
                $moving->out($item->id, $order->location_id);
            }

            $this->stock->lock($moving);

            return new Changing($order, $account, $deposits);
        };

        return $this->books->post(
            Posting::under("order {$id} at {$version}")
                ->locking($lock)
                ->unless(static fn (): ?Order => null)
                ->writing(fn (Changing $it): Order => $this->write($it, $version, $change, $till, $by)),
        );
    }

    private function write(Changing $it, int $version, OrderChange $change, Till $till, Staff $by): Order
    {
        $order = $it->order;
        SupplyInOffice::assertSeen($order, $version);
        $order->isOpen() || throw Refused::because('not_open', "{$order->label} is {$order->state->value} already.");
        Pick::assertNothingTaken($order);
        $before = $order->total;
        $openBefore = $order->open_total;
        [$cancelled, $words] = $this->decide($order, $change);
        $words === [] && throw Refused::because('nothing_changed', 'Nothing was changed.');
        $at = PostedAt::till($till, $by->id, ShopTime::today());
        $this->ledger->cancel($order, $cancelled);
        $figures = OrderFigures::of($order, $this->house->currency());
        $open = $figures->open();
        $fee = $this->feeOf($order, $cancelled === [] ? $this->house->money(0) : $openBefore->minus($open));
        $needs = $this->needs($order, $it, $change, $fee, $open->minus($openBefore), $by);
        $allowed = $this->approvals->allow($by, $change->approval, $needs);
        $documents = $this->money($it, $open, $change->waive ? $this->house->money(0) : $fee, $at);
        $this->ledger->settle($order, $it->account, $at->day);
        $order->forceFill(['ended_why' => $order->isOpen() ? '' : mb_substr($change->reason, 0, 200)])->save();
        $documents['last'] === null || DocumentApprovals::keep($documents['last'], $allowed);
        $this->ledger->record($order, $by, implode('; ', [...$words, ...$documents['words']]), $before);

        return $order;
    }

    /**
     * Everything that is decided on lines and terms, written but for what is cancelled.
     *
     * @return array{array<int, BigDecimal>, list<string>} what is cancelled by position; what was done, in words
     */
    private function decide(Order $order, OrderChange $change): array
    {
        $cancelled = [];
        $more = [];
        $words = [];

        foreach ($change->quantities as $position => $quantity) {
            $progress = $order->at($position);
            $line = $order->line($position) ?? throw Refused::because('not_there', 'This line is not on it.');
            $kept = $progress?->kept() ?? BigDecimal::zero();

            if ($progress === null || $quantity->isEqualTo($kept)) {
                continue;
            }

            $quantity->isLessThan($progress->supplied) && throw Refused::because(
                'below_supplied',
                Show::decimal($progress->supplied)." of “{$line->description}” were supplied already. Bring goods "
                    .'back at the counter instead.',
            );
            $words[] = "{$line->description}: ".Show::decimal($quantity).' instead of '.Show::decimal($kept);
            $quantity->isLessThan($kept)
                ? ($cancelled[$position] = $kept->minus($quantity))
                : ($more[$position] = $quantity->minus($kept));
        }

        $cancelled !== [] && trim($change->reason) === ''
            && throw Refused::because('reason_missing', 'Say why it is cancelled: the reason is kept.');
        $cancelled === [] || ($words[] = "cancelled: {$change->reason}");
        array_push($words, ...$this->revise($order, $change, $more), ...$this->meta($order, $change));

        return [$cancelled, $words];
    }

    /**
     * Lines as they are from now on, under the next revision.
     *
     * @param  array<int, BigDecimal>  $more by position
     * @return list<string>
     */
    private function revise(Order $order, OrderChange $change, array $more): array
    {
        if ($more === [] && $change->added === [] && $change->way === null) {
            return [];
        }

        $words = [];
        $lines = [];

        foreach ($order->lines() as $line) {
            $next = (new AgreedLine)->setRawAttributes($line->getAttributes());
            isset($more[$line->position]) && $next->setAttribute(
                'quantity',
                (string) $line->quantity->value->plus($more[$line->position]),
            );
            $isOpen = $order->at($line->position)?->left()->isPositive() === true;
            $change->way === null || $line->isFee() || ! $isOpen || $next->setAttribute('way', $change->way->value);
            $lines[] = $next;
        }

        $change->way === null || ($words[] = "now {$change->way->words()}");

        foreach ($change->added as [$item, $quantity]) {
            $line = AgreedLines::quoted($order, $item, $quantity);
            $last = $order->lines()->whereNotNull('way')->last()?->way;
            $line->forceFill([
                'way' => $change->way->value ?? $last ?? OrderWay::Collect->value,
                'from_id' => $order->location_id,
                'wanted_on' => null,
            ]);
            $lines[] = $line;
            $words[] = 'put with it '.Show::decimal($quantity)." × {$item->description}";
        }

        $this->assertAddress($order, $change, $lines);
        $order->forceFill(['revision' => $order->revision + 1]);
        $this->lines->put($order, $lines);
        $order->load('allLines.item');

        foreach ($order->lines() as $line) {
            $isNew = $order->at($line->position) === null;

            if ($isNew || isset($more[$line->position]) || $change->way !== null) {
                $this->ledger->line($order, $line->position, [
                    'item_id' => $line->item_id,
                    'ordered' => $line->quantity->toString(),
                    'brought' => $line->way === OrderWay::Delivery->value,
                    ...($isNew ? ['location_id' => $order->location_id] : []),
                ]);
            }
        }

        return $words;
    }

    /** @param  list<AgreedLine>  $lines */
    private function assertAddress(Order $order, OrderChange $change, array $lines): void
    {
        $isBrought = array_filter($lines, static fn (AgreedLine $line): bool => OrderWay::tryFrom(
            (string) $line->way,
        )?->isBrought() === true) !== [];

        $isBrought && trim($change->deliverTo ?? $order->deliver_to) === ''
            && throw Refused::because('no_address', 'Type where the goods are to be brought.');
    }

    /** @return list<string> */
    private function meta(Order $order, OrderChange $change): array
    {
        $words = [];

        if ($change->wantedOn !== null && $order->wanted_on?->format('Y-m-d') !== $change->wantedOn->format('Y-m-d')) {
            $this->terms->assertMayBeWanted($change->wantedOn, ShopTime::today());
            $words[] = 'wanted on '.Show::date($change->wantedOn);
            $order->forceFill(['wanted_on' => $change->wantedOn]);
        }

        foreach ([
            ['wanted_when', $change->wantedWhen, 'wanted'], ['deliver_to', $change->deliverTo, 'brought to'],
            ['buyer', $change->buyer, 'for'], ['note', $change->note, 'note'],
        ] as [$column, $text, $said]) {
            if ($text !== null && trim($text) !== $order->getAttribute($column)) {
                $words[] = trim("{$said} {$text}");
                $order->forceFill([$column => trim($text)]);
            }
        }

        return $words;
    }

    private function feeOf(Order $order, Money $cancelled): Money
    {
        return Money::min($order->held(), $cancelled->orNothing()->percent($this->terms->cancellationFee()));
    }

    /** @return list<Need> */
    private function needs(Order $order, Changing $it, OrderChange $change, Money $fee, Money $more, Staff $by): array
    {
        $needs = $more->isPositive() && $order->is_charged
            ? $this->charge->needsToOrder($order, $more, $it->account, 'change')
            : [];

        if ($change->waive && $fee->isPositive() && ! $by->mayDo(Ability::EndLayaways)) {
            $needs[] = new Need(
                'change',
                Scope::of(ApprovalKind::LayawayFee)->naming('order', $order->id)->upTo('fee', $fee),
                Refused::because(
                    'approval_missing',
                    'Letting the fee off needs a supervisor: staff number, PIN and reason.',
                ),
                "{$order->label}: cancellation fee of ".Show::money($fee).' let off',
                LimitMatter::OutsidePolicy,
                $fee,
            );
        }

        return $needs;
    }

    /**
     * The fee, and what was paid beyond what is still ordered.
     *
     * @return array{last: int|null, words: list<string>}
     */
    private function money(Changing $it, Money $open, Money $fee, PostedAt $at): array
    {
        $order = $it->order;
        $over = $order->held()->minus($open);
        $fee = Money::min($fee, $over->orNothing());
        $last = null;
        $words = [];

        if ($fee->isPositive() || $over->minus($fee)->isPositive()) {
            $this->books->taking(DocumentKind::Adjustment, DocumentKind::Invoice);
        }

        if ($fee->isPositive()) {
            $last = $this->books->document($this->fees->draft(
                'Order cancellation fee',
                $fee,
                $this->house->shop()->fee_tax_class,
                $order->location,
                $at,
                new Party($order->customer_id, $order->customer->name),
                $this->key($order, 'fee'),
                [new DraftTender(Tender::of(TenderKind::OrderMoney, $fee), $fee, $order->label)],
                "Order {$order->label}",
            ));
            $this->ledger->leave($order, $last, Movement::Fee, $fee, $at->day);
            $words[] = 'fee '.Show::money($fee);
        }

        $rest = $over->minus($fee);

        if ($rest->isPositive()) {
            $last = $this->keepAsDeposit->handle(
                $order,
                $it->deposits,
                $rest,
                $at,
                $this->key($order, 'deposit'),
                "Paid beyond what is still ordered on {$order->label}",
            );
            $words[] = Show::money($rest).' paid on it is kept as a deposit';
        }

        return ['last' => $last, 'words' => $words];
    }

    private function key(Order $order, string $what): string
    {
        return Uuid::uuid5(Uuid::fromString($order->key), "changed {$order->version} {$what}")->toString();
    }
}
