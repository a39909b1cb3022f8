<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Closure;
use Elmstone\Books\Books;
use Elmstone\Books\DocumentApprovals;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Posting;
use Elmstone\Cards\CardMoney;
use Elmstone\Cards\CardRequest;
use Elmstone\Catalogue\Serials;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Settlement;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Parts\LayawayPart;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Settle\SettledPart;
use Elmstone\Counter\Settle\SettledSlip;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\LineOnSlip;
use Elmstone\Counter\Slip\ReturnOnSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipParty;
use Elmstone\Counter\Slip\SlipState;
use Elmstone\Coupons\UseCoupons;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\Layaways\CompleteLayaway;
use Elmstone\Layaways\HoldLayaway;
use Elmstone\Layaways\Layaway;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Shop\House;
use Illuminate\Database\Eloquent\Collection;

/**
 * Turns a settled slip into what it is: an invoice, a layaway, a receipt for what is taken in besides, the invoices of
 * layaways whose goods leave. Numbers, documents, lines, tax, tenders, journals, stock and ledgers in one transaction,
 * or nothing. What was decided on the page is decided again under the locks, which are taken in the order slip,
 * account, deposits, store credit, gift cards, layaways, coupons, originals, stock, series. Done twice, it answers with
 * the same document.
 */
final class PostSale
{
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly StockLedger $stock,
        private readonly Serials $serials,
        private readonly Ledger $ledger,
        private readonly HeldLedger $deposits,
        private readonly HoldLayaway $hold,
        private readonly CompleteLayaway $complete,
        private readonly PostMoneyIn $moneyIn,
        private readonly PostCredit $credit,
        private readonly MoveCredits $moveCredits,
        private readonly UseCoupons $useCoupons,
        private readonly LockSlip $lock,
    ) {
    }

    /**
     * @param  Closure(Slip): void|null  $also done in the same transaction
     *
     * @throws Refused the first thing that hinders it
     */
    public function handle(string $slipKey, Act $act, ?Closure $also = null): PostedSale
    {
        $lock = function () use ($slipKey, $act): LockedSlip {
            $slip = Slip::query()->where('key', $slipKey)->lockForUpdate()->first()
                ?? throw Refused::because('empty', 'There is nothing on this slip yet.');

            if ($slip->document_id !== null) {
                return new LockedSlip($slip, null, null);
            }

            $this->assertAsSeen($slip, $act);

            return $this->lock->handle($slip, $act);
        };
        $write = function (LockedSlip $locked) use ($act, $also): PostedSale {
            $document = $this->post($locked->slip, $act, $locked->account, $locked->held);
            FinishSale::write($document, $act);
            $also === null || $also($locked->slip);

            return new PostedSale($document, already: false);
        };

        return $this->books->post(
            Posting::under($slipKey)
                ->locking($lock)
                ->unless(static fn (LockedSlip $locked): ?PostedSale => $locked->slip->document_id === null
                    ? null
                    : new PostedSale($locked->slip->document_id, already: true))
                ->writing($write),
        );
    }

    private function assertAsSeen(Slip $slip, Act $act): void
    {
        match (true) {
            $slip->state !== SlipState::Open => throw Refused::because('not_open', 'This slip was cleared.'),
            $slip->till_id !== $act->till->id => throw Refused::because(
                'elsewhere',
                "Till {$slip->till->number} has picked this slip up.",
            ),
            $slip->version !== $act->version => throw Refused::because(
                'changed_elsewhere',
                'This slip was changed on another screen. Look at the sum again before you post.',
            ),
            default => null,
        };
    }

    /** @return int the id of the invoice, or of the receipt where nothing was sold */
    private function post(Slip $slip, Act $act, ?HouseAccount $account, ?HeldAccount $held): int
    {
        $reckoned = ReckonedCounter::of($slip, $this->house);
        $slip->location->assertOpenOn($slip->day());

        foreach ($reckoned->hindrances() as $hindrance) {
            throw $hindrance;
        }

        $settlement = $reckoned->settlement ?? throw Refused::because('outstanding', 'This slip is not settled.');
        $made = $slip->hold === null ? null : $this->setAside($reckoned);
        $this->books->taking(...$this->kinds($reckoned, $made));
        $sale = $slip->lines->isEmpty() || $made !== null
                ? null
                : $this->sale($reckoned, $settlement, $act, $account, $held);
        $receipt = $reckoned->held->total()->isPositive()
            ? $this->moneyIn->handle($reckoned, $settlement, $act, $account, $held, $made)
            : null;

        if ($receipt !== null) {
            $this->useHeld($receipt, $held, SettledSlip::parts($reckoned, $settlement)[1], $slip);
        }

        $credit = $reckoned->back === null ? null : $this->credit->handle($reckoned, $act, $account, $held);
        $this->useCoupons->handle($slip->couponsShown ?? new Collection, $slip->day());

        $goods = $this->goodsOut($slip, $act);
        $this->keepApprovals($reckoned, $sale ?? $receipt, $credit);
        CardMoney::posted(
            $slip->cards->filter(
                static fn (CardRequest $card): bool => ! $card->isBack() && $card->document_id === null,
            ),
            $sale ?? ($receipt ?? 0),
        );
        CardMoney::posted(
            $slip->cards->filter(static fn (CardRequest $card): bool => $card->isBack() && $card->document_id === null),
            $credit ?? 0,
        );
        $document = $sale
            ?? ($credit
                ?? ($receipt ?? ($goods[0] ?? throw Refused::because('empty', 'There is nothing on this slip yet.'))));
        $slip
            ->forceFill([
                'state' => SlipState::Posted,
                'document_id' => $document,
                'receipt_id' => $receipt === $document ? null : $receipt,
                'agreement_id' => $made?->id,
                'credit_note_id' => $credit,
                'version' => $slip->version + 1,
                'total' => $reckoned->payable()->minor,
            ])
            ->save();

        return $document;
    }

    /** @return list<DocumentKind> what will be posted */
    private function kinds(ReckonedCounter $reckoned, ?Layaway $made): array
    {
        $slip = $reckoned->slip;
        $leaves = array_filter(
            $slip->layawayParts(),
            static fn (LayawayPart $part): bool => $part->leaves === true,
        ) !== [];

        return [
            ...$leaves || ($made === null && $slip->lines->isNotEmpty()) ? [DocumentKind::Invoice] : [],
            ...$reckoned->held->total()->isPositive() ? [DocumentKind::Receipt] : [],
            // A credit can bring adjustments with it: a discount taken back, a plan, stock that is worth something
            // else.
            ...$reckoned->back === null ? [] : [DocumentKind::CreditNote, DocumentKind::Adjustment],
        ];
    }

    private function sale(
        ReckonedCounter $reckoned,
        Settlement $settlement,
        Act $act,
        ?HouseAccount $account,
        ?HeldAccount $held,
    ): int {
        $slip = $reckoned->slip;
        $terms = $slip->charge === null ? null : $account?->terms();
        $draft = new SaleDraft(
            $reckoned,
            $this->house,
            SlipParty::of($slip, $terms, $account === null ? null : $this->house->money($account->balance)),
        );
        $moves = $draft->moves();
        $this->stock->take($moves);
        $this->assertNothingPromised($reckoned, $moves);
        $part = SettledSlip::sale($reckoned, $settlement);
        $sale = $draft->document($part, $act->postedAt($slip));
        $document = $this->books->document($sale);
        $this->stock->record(
            'sale',
            array_map(static fn (StockMove $move): array => [$move, $slip->day(), $document], $moves),
        );
        $this->serials->sell($document, $draft->serials());

        if ($account !== null) {
            $this->ledger->enter($account, [new LedgerEntry($document, $sale, $terms)]);
        }

        $this->useHeld($document, $held, $part, $slip);

        return $document;
    }

    private function setAside(ReckonedCounter $reckoned): Layaway
    {
        $order = $reckoned->layaway()?->order()
            ?? throw Refused::because('not_held', 'This slip is not to be held as a layaway.');
        $made = $this->hold->handle($order);
        $aside = array_map(
            static fn (StockMove $move): StockMove => StockMove::aside(
                $move->itemId,
                $move->locationId,
                $move->quantity->negated(),
            ),
            (new SaleDraft($reckoned, $this->house))->moves(),
        );
        $this->assertNothingPromised($reckoned, $aside);

        return $made;
    }

    /**
     * What is set aside for others goes only where somebody approved it.
     *
     * @param  list<StockMove>  $moves
     *
     * @throws Refused committed
     */
    private function assertNothingPromised(ReckonedCounter $reckoned, array $moves): void
    {
        foreach ($moves === [] ? [] : $this->stock->short($moves) as $item) {
            foreach ($reckoned->slip->lines->where('item_id', $item) as $line) {
                $reckoned->needs->assertMayTakeCommitted($line);
            }
        }
    }

    /** What was held for the customer, or stood on gift cards, and pays now. */
    private function useHeld(int $document, ?HeldAccount $held, SettledPart $part, Slip $slip): void
    {
        $this->moveCredits->use($document, $part->tenders, $slip);

        foreach ($part->tenders as $tender) {
            if (
                $held !== null
                && $tender->tender->kind === TenderKind::DepositHeld
                && $tender->tender->amount->isPositive()
            ) {
                $this->deposits->take($held, $document, $tender->tender->amount, $slip->day());
            }
        }
    }

    /** Each with the document it was needed for; of what became a layaway with its receipt. */
    private function keepApprovals(ReckonedCounter $reckoned, ?int $in, ?int $credit): void
    {
        [$out, $back] = [[], []];
        $lines = array_flip(
            array_values($reckoned->slip->lines->map(static fn (LineOnSlip $line): int => $line->id)->all()),
        );
        $returns = array_flip(
            array_values($reckoned->slip->returns->map(static fn (ReturnOnSlip $line): int => $line->id)->all()),
        );

        foreach ($reckoned->needs->kept() as [$place, $need, $approval]) {
            [$what, $id] = [...explode('.', $place), '0'];
            $isBack = in_array($what, ['back', 'refund'], true);
            $place = match (true) {
                $what === 'line' && isset($lines[(int) $id]) => 'line:'.($lines[(int) $id] + 1),
                $what === 'back' && isset($returns[(int) $id]) => 'line:'.($returns[(int) $id] + 1),
                default => $place,
            };
            $isBack ? ($back[] = [$place, $need, $approval]) : ($out[] = [$place, $need, $approval]);
        }

        $in === null || DocumentApprovals::keep($in, $out);
        $credit === null || DocumentApprovals::keep($credit, $back);
    }

    /** @return list<int> the invoices of the layaways whose goods leave */
    private function goodsOut(Slip $slip, Act $act): array
    {
        $invoices = [];

        foreach ($slip->layawayParts() as $part) {
            if ($part->leaves === true) {
                $invoices[] = $this->complete->post(
                    $slip->paidOn[$part->layawayId],
                    $act->postedAt($slip),
                );
            }
        }

        return $invoices;
    }
}
