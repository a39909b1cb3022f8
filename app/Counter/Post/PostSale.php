<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Closure;
use Elmstone\Books\Books;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Posting;
use Elmstone\Cards\CardMoney;
use Elmstone\Cards\CardRequest;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Parts\LayawayPart;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Settle\SettledSlip;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipState;
use Elmstone\Coupons\UseCoupons;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Layaways\CompleteLayaway;
use Elmstone\Layaways\Layaway;
use Elmstone\Receivables\Accounts\HouseAccount;
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
        private readonly PostGoods $goods,
        private readonly CompleteLayaway $complete,
        private readonly PostMoneyIn $moneyIn,
        private readonly PostCredit $credit,
        private readonly MoveCredits $credits,
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
        $made = $slip->hold === null ? null : $this->goods->setAside($reckoned);
        $this->books->taking(...$this->kinds($reckoned, $made));
        $sale = $slip->lines->isEmpty() || $made !== null
                ? null
                : $this->goods->sell($reckoned, $settlement, $act, $account, $held);
        $receipt = $reckoned->held->total()->isPositive()
            ? $this->moneyIn->handle($reckoned, $settlement, $act, $account, $held, $made)
            : null;

        if ($receipt !== null) {
            $this->credits->use($receipt, SettledSlip::parts($reckoned, $settlement)[1]->tenders, $slip, $held);
        }

        $credit = $reckoned->back === null ? null : $this->credit->handle($reckoned, $act, $account, $held);
        $this->useCoupons->handle($slip->couponsShown ?? new Collection, $slip->day());

        $goods = $this->goodsOut($slip, $act);
        KeepApprovals::of($reckoned, $sale ?? $receipt, $credit);
        self::cardMoney($slip, $sale ?? ($receipt ?? 0), $credit ?? 0);
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

    /** What terminals took stands in the one document, what they gave back in the other. */
    private static function cardMoney(Slip $slip, int $in, int $back): void
    {
        $open = $slip->cards->whereNull('document_id');
        CardMoney::posted($open->reject(static fn (CardRequest $card): bool => $card->isBack()), $in);
        CardMoney::posted($open->filter(static fn (CardRequest $card): bool => $card->isBack()), $back);
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
