<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Closure;
use Elmstone\Books\Books;
use Elmstone\Books\Posting;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipState;
use Elmstone\Shop\House;

/**
 * Turns a settled slip into what it is: an invoice, a layaway, a receipt for what is taken in besides, the invoices of
 * layaways whose goods leave. Numbers, documents, lines, tax, tenders, journals, stock and ledgers in one transaction,
 * or nothing. What was decided on the page is decided again under the locks, which are taken in the order slip,
 * account, deposits, store credit, gift cards, layaways, coupons, originals, stock, series. Done twice, it answers with
 * the same document.
 */
final class PostSale
{
    /** @param  iterable<Step>  $steps in their order */
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly LockSlip $lock,
        private readonly iterable $steps,
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

            if ($slip->isPosted()) {
                return new LockedSlip($slip, null, null);
            }

            $this->assertAsSeen($slip, $act);

            return $this->lock->handle($slip, $act);
        };
        $write = function (LockedSlip $locked) use ($act, $also): PostedSale {
            $document = $this->post($locked, $act);
            FinishSale::write($locked->slip, $act);
            $also === null || $also($locked->slip);

            return new PostedSale($document, already: false, slip: $locked->slip);
        };

        return $this->books->post(
            Posting::under($slipKey)
                ->locking($lock)
                ->unless(static fn (LockedSlip $locked): ?PostedSale => $locked->slip->isPosted()
                    ? new PostedSale($locked->slip->document_id, already: true, slip: $locked->slip)
                    : null)
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

    /** @return int|null the id of the invoice, or of the receipt where nothing was sold; null: only a promise */
    private function post(LockedSlip $locked, Act $act): ?int
    {
        $slip = $locked->slip;
        $reckoned = ReckonedCounter::of($slip, $this->house);
        $slip->location->assertOpenOn($slip->day());

        foreach ($reckoned->hindrances() as $hindrance) {
            throw $hindrance;
        }

        $settlement = $reckoned->settlement ?? throw Refused::because('outstanding', 'This slip is not settled.');
        $posting = new SlipPosting($reckoned, $settlement, $act, $locked->account, $locked->held);
        $this->take($posting);
        $document = $posting->document();
        $slip
            ->forceFill([
                'state' => SlipState::Posted,
                'document_id' => $document,
                'receipt_id' => $posting->receipt === $document ? null : $posting->receipt,
                'agreement_id' => $posting->promised(),
                'credit_note_id' => $posting->credit,
                'version' => $slip->version + 1,
                'total' => $reckoned->payable(),
            ])
            ->save();

        return $document;
    }

    private function take(SlipPosting $posting): void
    {
        $steps = array_values([...$this->steps]);
        $kinds = array_map(static fn (Step $step): array => $step->kinds($posting->reckoned), $steps);
        $isTaken = false;

        foreach ($steps as $place => $step) {
            // All series at once, before the first number is taken; what is only set aside takes none.
            if (! $isTaken && $kinds[$place] !== []) {
                $this->books->taking(...array_merge(...$kinds));
                $isTaken = true;
            }

            $step->post($posting);
        }
    }
}
