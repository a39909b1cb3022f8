<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Closure;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Slip\RefusedOnLine;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Lines\ReadLines;
use Elmstone\Counter\Parts\SlipCredits;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Customers\Customer;
use Elmstone\Shares\Sharings;
use Elmstone\Shop\House;
use Elmstone\Support\Asked;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Facades\DB;

/**
 * The one way to change a slip: under its lock, once per act, and only as it was last seen.
 */
final class SlipDesk
{
    public function __construct(
        private readonly House $house,
        private readonly SlipParty $party,
        private readonly SlipCredits $credits,
        private readonly Asked $asked,
        private readonly Sharings $sharings,
    ) {
    }

    /**
     * @param  Closure(Slip): mixed  $change
     * @param  bool  $evenVoid also where the slip takes a sale back whole: that one stays as it is, and only its money
     *     is dealt with
     *
     * @throws Refused void_stays, not_open, elsewhere, changed_elsewhere, and whatever the change or the reckoning
     *     refuses
     */
    public function change(string $slipKey, Act $act, Closure $change, bool $evenVoid = false): Slip
    {
        $slip = $this->changed($slipKey, $act, $change, $evenVoid);

        if ($slip === null) {
            $this->begin($slipKey, $act);
            $slip = $this->changed($slipKey, $act, $change, $evenVoid);
        }

        return $slip ?? throw (new ModelNotFoundException)->setModel(Slip::class, [$slipKey]);
    }

    /**
     * @param  Closure(Slip): mixed  $change
     * @return Slip|null null: nothing was done to it before, and it is not written down
     */
    private function changed(string $slipKey, Act $act, Closure $change, bool $evenVoid): ?Slip
    {
        return DB::transaction(function () use ($slipKey, $act, $change, $evenVoid): ?Slip {
            // The lock comes before any other reading: what is read before it would be read again as it stood then.
            $slip = Slip::query()->where('key', $slipKey)->lockForUpdate()->first();

            if ($slip === null) {
                return null;
            }

            if (
                DB::table('slip_acts')->insertOrIgnore([
                    'key' => $act->key,
                    'slip_id' => $slip->id,
                    'asked' => $this->asked->digest($act->key),
                ]) === 0
            ) {
                $this->asked->assertSame($act->key, DB::table('slip_acts')->where('key', $act->key)->value('asked'));

                return $this->drawn($slip, $act);
            }

            $this->assertMayChange($slip, $act, $evenVoid);
            $customer = $slip->load('customer.type.priceLevel')->customer;
            $this->credits->read($slip);
            $change($slip);
            $this->keep($this->drawn($slip, $act, null, $customer));

            return $slip;
        }, 3);
    }

    /** Reads a slip with all the page needs of it. */
    public function read(string $slipKey, Act $act): Slip
    {
        $slip = Slip::query()->where('key', $slipKey)->first();

        if ($slip === null) {
            $act->till->location->loadMissing('taxProfile.components');

            return BlankSlip::of($slipKey, $act->till, $act->by->id);
        }

        return $this->drawn($slip, $act);
    }

    /** Reads a slip that was just posted again, but not its lines: they stand as they were under its locks. */
    public function posted(Slip $before, Act $act): Slip
    {
        $lines = $before->relationLoaded('lines') ? $before->lines : null;

        return $this->drawn(Slip::query()->findOrFail($before->id), $act, $lines);
    }

    /** For changes that need to know more of the slip than its lines. */
    public function redraw(Slip $slip, Act $act): void
    {
        $this->drawn($slip, $act);
    }

    /**
     * The slip with its lines and cards as they stand now; what the till knows already is not read again.
     *
     * @param  Collection<int, LineOnSlip>|null  $lines null: not known yet
     * @param  Customer|null  $known read in the same transaction
     */
    private function drawn(Slip $slip, Act $act, ?Collection $lines = null, ?Customer $known = null): Slip
    {
        $slip->unsetRelations();
        $slip->by = $act->by;
        $slip->location_id === $act->till->location_id
            ? $slip->setRelation('location', $act->till->location)
            : $slip->load('location');
        $slip->location->loadMissing('taxProfile.components');
        $slip->till_id !== $act->till->id || $slip->setRelation('till', $act->till);
        $slip->document_id === null ? $slip->setRelation('document', null) : $slip->load('document');
        $slip->receipt_id === null ? $slip->setRelation('receipt', null) : $slip->load('receipt');
        $slip->credit_note_id === null ? $slip->setRelation('creditNote', null) : $slip->load('creditNote');
        $slip->agreement_id === null
            ? $slip->setRelation('heldAs', null)->setRelation('order', null)->setRelation('quote', null)
            : $slip->load(['heldAs', 'order', 'quote']);
        $slip->quote_id === null ? $slip->setRelation('takesUp', null) : $slip->load('takesUp');
        $slip->loadOwnTerms();
        $this->party->draw($slip, $known);

        $lines === null ? ReadLines::of($slip) : $slip->setRelation('lines', $lines);
        $slip->load('cards');
        $this->drawSellers($slip);
        $this->drawBelongings($slip);
        $this->credits->read($slip);
        $slip->stock = $slip->isDone() || $slip->lines->isEmpty() ? null : ReadLines::stock($slip);

        return $slip;
    }

    /** Who sold it, and what of it somebody else, in words and as it would be typed. */
    private function drawSellers(Slip $slip): void
    {
        foreach ([$slip, ...$slip->lines] as $sold) {
            [$sold->soldBy, $sold->soldByText] = $sold->sharing_id === null
                ? ['', '']
                : [$this->sharings->words($sold->sharing_id), $this->sharings->text($sold->sharing_id)];
        }
    }

    /** What goes with what is on it, where anything does. */
    private function drawBelongings(Slip $slip): void
    {
        $items = $slip->lines->pluck('item')->filter(static fn (?Item $item): bool => $item?->has_belongings === true);
        $slip->isDone() || $items->isEmpty() || (new Collection($items->unique('id')->all()))->load('belongings');
    }

    /**
     * Writes a slip down when something is first done to it. It stands before it is locked: two tills that begin the
     * same one in the transactions of their acts would each hold what the other waits for.
     */
    private function begin(string $slipKey, Act $act): void
    {
        $blank = BlankSlip::of($slipKey, $act->till, $act->by->id)->getAttributes();
        Slip::query()->insertOrIgnore([...$blank, 'created_at' => now(), 'updated_at' => now()]);
    }

    private function assertMayChange(Slip $slip, Act $act, bool $evenVoid): void
    {
        if ($slip->void_of_id !== null && ! $evenVoid) {
            throw Refused::because(
                'void_stays',
                'This slip takes a sale back whole; nothing else goes on it. Post it or clear it, and use another '
                    .'slip.',
            );
        }

        if ($slip->state !== SlipState::Open) {
            throw Refused::because(
                'not_open',
                match ($slip->state) {
                    SlipState::Posted => 'This slip is already posted; nothing on it can change.',
                    SlipState::Practised => 'This slip was practised; begin another.',
                    default => 'This slip was cleared.',
                },
            );
        }

        if ($slip->till_id !== $act->till->id) {
            throw Refused::because('elsewhere', "Till {$slip->till->number} has picked this slip up.");
        }

        if ($act->version !== null && $act->version !== $slip->version) {
            throw Refused::because(
                'changed_elsewhere',
                'This slip was changed on another screen. Here is how it stands now; do that again if it is still '
                    .'right.',
            );
        }
    }

    /** Reckons what the change made of the slip, so that nothing is kept that cannot be reckoned. */
    private function keep(Slip $slip): void
    {
        try {
            $slip->reckoned = ReckonedCounter::of($slip, $this->house);
        } catch (RefusedOnLine $refused) {
            throw $refused;
        } catch (Refused $refused) {
            throw $refused->rule === 'discount_too_large'
                ? Refused::because(
                    'slip_discount',
                    "The whole-slip discount no longer fits: {$refused->getMessage()} Take it off first.",
                )
                : $refused;
        }

        $slip
            ->forceFill([
                'version' => $slip->version + 1,
                'title' => $slip->customer_name !== ''
                        ? $slip->customer_name
                        : mb_substr(
                            $slip->lines->first()->description ?? ($slip->returns->first()->description ?? ''),
                            0,
                            60,
                        ),
                'total' => $slip->becomesSale() ? $slip->reckoned->payable() : $slip->reckoned->sums->total,
            ])
            ->save();
    }
}
