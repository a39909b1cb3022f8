<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Brick\Math\BigDecimal;
use Elmstone\Agreements\AgreedLine;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Quotes\PricedAnew;
use Elmstone\Quotes\Quote;
use Elmstone\Support\Show;

/**
 * Puts what was offered on a slip, whole or in part, at the prices that hold; after its day at today's prices, each
 * confirmed. What becomes of the slip is the clerk's to choose; posting it wins the quote.
 */
final class TakeUpQuote
{
    public function __construct(
        private readonly SlipDesk $desk,
        private readonly PutCustomer $put,
        private readonly MakeQuote $make,
    ) {
    }

    /**
     * Scanned: the whole of it, while its prices hold.
     *
     * @throws Refused not_open, not_theirs, ran_out, quote_twice
     */
    public function scan(string $slipKey, Act $act, Quote $quote): Slip
    {
        return $this->take($slipKey, $act, $quote, null, []);
    }

    /**
     * @param  array<int, BigDecimal>|null  $quantities by position; null: all of it
     * @param  array<int, string>  $confirmed by position, the new price that was seen and taken, "3.95"
     *
     * @throws Refused not_open, not_theirs, ran_out, price_moved, quote_twice, nothing_chosen
     */
    public function take(string $slipKey, Act $act, Quote $quote, ?array $quantities, array $confirmed): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($quote, $quantities, $confirmed): void {
            $this->assertFits($slip, $quote);
            $anew = $quote->isExpired($slip->day()) ? PricedAnew::differing($quote, $slip->day()) : [];
            $quantities === null && $anew !== [] && throw Refused::because(
                'ran_out',
                "{$quote->label} held until ".Show::date($quote->valid_until).'; '
                    .(count($anew) === 1 ? 'a price has' : count($anew).' prices have')
                    .' changed since. Look at them on its page and confirm them there.',
            );
            $this->putLines($slip, $quote, $quantities, $anew, $confirmed);
            $slip->forceFill(['quote_id' => $quote->id])->save();
        });
    }

    /** A fresh slip with all of it, to become the next revision. */
    public function revise(string $slipKey, Act $act, Quote $quote): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($quote): void {
            $this->assertFits($slip, $quote);
            $this->putLines($slip, $quote, null, [], []);
            $slip->forceFill(['quote_id' => $quote->id]);
            $this->make->place($slip);
            $slip->promise()->update([
                'valid_until' => $quote->isExpired($slip->day())
                    ? $slip->day()->addDays(14)->format('Y-m-d')
                    : $quote->valid_until->format('Y-m-d'),
                'note' => $quote->note,
                'party' => $quote->party,
            ]);
        });
    }

    private function assertFits(Slip $slip, Quote $quote): void
    {
        match (true) {
            ! $quote->isOpen() => throw Refused::because(
                'not_open',
                "{$quote->label} is {$quote->state->value} already.",
            ),
            $slip->quote_id !== null => throw Refused::because(
                'quote_twice',
                $slip->quote_id === $quote->id
                    ? "{$quote->label} is on this slip already."
                    : 'Another quote is on this slip. Take this one on a slip of its own.',
            ),
            $slip->customer_id !== null && $quote->customer_id !== null
                && $slip->customer_id !== $quote->customer_id => throw Refused::because(
                    'not_theirs',
                    "{$quote->label} is for {$quote->who()}, not {$slip->customer_name}. Begin another slip for it.",
                ),
            default => null,
        };
        $slip->customer_id === null && $quote->customer !== null && $this->put->place($slip, $quote->customer);
    }

    /**
     * @param  array<int, BigDecimal>|null  $quantities
     * @param  array<int, PricedAnew>  $anew
     * @param  array<int, string>  $confirmed
     */
    private function putLines(Slip $slip, Quote $quote, ?array $quantities, array $anew, array $confirmed): void
    {
        StockLedger::holdItems($quote->lines()->pluck('item_id')->all());
        $position = (int) $slip->lines()->max('position');
        $isOne = false;

        foreach ($quote->lines() as $line) {
            $quantity = $quantities === null
                ? $line->quantity->value
                : $quantities[$line->position] ?? BigDecimal::zero();

            if (! $quantity->isPositive()) {
                continue;
            }

            $moved = $anew[$line->position] ?? null;
            $moved !== null && ($confirmed[$line->position] ?? '') !== $moved->price->toString()
                && throw Refused::because(
                    'price_moved',
                    "“{$line->description}” costs ".Show::price($moved->price).' now. Confirm it, or leave it out.',
                );
            $isOne = true;
            LineOnSlip::query()->create([
                ...self::columns($line, $quote, $moved),
                'slip_id' => $slip->id,
                'position' => ++$position,
                'quantity' => (string) $quantity,
            ]);
        }

        $isOne || throw Refused::because('nothing_chosen', 'Type how many of at least one line are taken.');
        $slip->forceFill([
            'discount_percent' => $quote->discount_percent?->toString(),
            'discount_amount' => $quantities === null ? $quote->discount_amount : null,
            'job' => $slip->job === '' ? $quote->job : $slip->job,
            'purchase_order' => $slip->purchase_order === '' ? $quote->purchase_order : $slip->purchase_order,
        ]);
    }

    /** @return array<string, mixed> */
    private static function columns(AgreedLine $line, Quote $quote, ?PricedAnew $moved): array
    {
        return [
            'item_id' => $line->item_id,
            'code' => $line->code,
            'description' => $line->description,
            'department_id' => $line->department_id,
            'unit' => $line->unit,
            'unit_price' => ($moved->price ?? $line->unit_price)->toString(),
            'price_per' => $line->price_per,
            'price_rule' => PriceRule::Quoted,
            'price_source' => $quote->label,
            'list_price' => ($line->item->list_price ?? $line->list_price)->toString(),
            'discount_percent' => $line->discount_percent?->toString(),
            'discount_amount' => $line->discount_amount,
            'may_discount' => $line->may_discount,
            'tax_class' => $line->tax_class,
            'cost' => $line->cost?->toString(),
            'floor_price' => $line->item?->floor_price?->toString(),
            'note' => $line->note,
        ];
    }
}
