<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Books\LineColumns;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Becomes;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Counter\Slip\SlipPromise;
use Elmstone\Orders\OrderSource;
use Elmstone\Orders\OrderTerms;
use Elmstone\Orders\OrderWay;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Support\Signature;

/** Makes the slip one that becomes an order: how and when the goods reach the customer, what is paid at once. */
final class MakeOrder
{
    public function __construct(
        private readonly SlipDesk $desk,
        private readonly House $house,
        private readonly OrderTerms $terms,
    ) {
    }

    /** @throws Refused no_customer, empty */
    public function begin(string $slipKey, Act $act): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act): void {
            $this->desk->redraw($slip, $act);

            match (true) {
                $slip->customer === null => throw Refused::because(
                    'no_customer',
                    'An order needs a named customer. Put them on the slip first.',
                ),
                $slip->lines->isEmpty() => throw Refused::because('empty', 'There is nothing on this slip to order.'),
                default => null,
            };
            $slip->lines()->whereNull('department_id')->where('code', '!=', LineColumns::FREIGHT)->delete();
            $slip->turnInto(Becomes::Order);
            $slip->forceFill(['charge' => null]);
            $this->promise($slip, [
                'is_charged' => $slip->account?->account->stopped === false,
                'deliver_to' => $this->addressOf($slip),
            ])->save();
            $this->proposeDeposit($slip, $act);
            $slip->save();
        });
    }

    public function drop(string $slipKey, Act $act): Slip
    {
        return $this->desk->change($slipKey, $act, static function (Slip $slip): void {
            $slip->turnInto(Becomes::Sale);
            $slip->lines()->whereNull('department_id')->delete();
            $slip->lines()->update(['way' => null, 'from_id' => null, 'aside' => null]);
        });
    }

    /**
     * @param  array<string, string>  $typed as on the page, what was changed
     *
     * @throws Refused bad_date, wanted_past, wanted_closed, not_an_account, bad_amount, freight_hole
     */
    public function terms(string $slipKey, Act $act, array $typed): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $typed): void {
            $this->desk->redraw($slip, $act);
            $promise = $this->found($slip);
            $promise->fill($this->columns($slip, $typed))->save();
            $slip->setRelation('promise', $promise);
            array_intersect_key($typed, ['way' => 0, 'freight' => 0]) === [] || $this->freight(
                $slip,
                $act,
                isset($typed['freight']) ? $this->house->typedMoney($typed['freight']) : null,
                isset($typed['freight']),
            );

            if (array_intersect_key($typed, ['is_charged' => 0, 'source' => 0]) !== []) {
                $this->proposeDeposit($slip, $act);
            }
        });
    }

    /**
     * How one line reaches the customer, where it leaves, what of it is set aside now.
     *
     * @param  array<string, string>  $typed
     *
     * @throws Refused bad_quantity, not_there
     */
    public function line(string $slipKey, Act $act, int $line, array $typed): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $line, $typed): void {
            $this->found($slip);
            $goods = $slip->lines()->findOrFail($line);
            $columns = [];

            foreach ($typed as $name => $text) {
                $columns += match ($name) {
                    'way' => ['way' => OrderWay::tryFrom($text)?->value],
                    'from' => ['from_id' => $text === '' ? null : Location::query()->findOrFail((int) $text)->id],
                    default => ['aside' => self::asideOf($goods, trim($text))],
                };
            }

            $goods->forceFill($columns)->save();
            isset($typed['way']) && $this->freight($slip, $act, null, false);
        });
    }

    /** @throws Refused bad_signature, name_missing, not_held */
    public function sign(string $slipKey, Act $act, string $path, string $by): Slip
    {
        Signature::assertPath($path);

        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $path, $by): void {
            $this->desk->redraw($slip, $act);
            $promise = $this->found($slip);
            $digest = OrderDraft::of(ReckonedCounter::of($slip, $this->house), $this->house)?->digest() ?? '';
            $name = trim($by) !== '' ? trim($by) : $slip->customer_name;
            $promise
                ->fill($path === ''
                    ? ['signature' => null, 'signed_by' => '', 'signed_for' => '']
                    : ['signature' => $path, 'signed_by' => mb_substr($name, 0, 120), 'signed_for' => $digest])
                ->save();
        });
    }

    /**
     * Freight as the shop's table has it, or as it was typed; none where nothing is brought.
     *
     * @param  bool  $isTyped whether somebody said how much; then an empty field is none
     */
    private function freight(Slip $slip, Act $act, ?Money $typed, bool $isTyped): void
    {
        $this->desk->redraw($slip, $act);
        $draft = OrderDraft::of(ReckonedCounter::of($slip, $this->house), $this->house);
        $slip->lines()->where('code', LineColumns::FREIGHT)->whereNull('department_id')->delete();

        if ($draft === null || ! $draft->isBrought()) {
            return;
        }

        $goods = $slip->lines->whereNotNull('department_id');
        $charge = $isTyped ? $typed : $this->terms->freight($draft->promise->way)?->of(
            $this->weight($goods->all()),
            ReckonedCounter::of($slip, $this->house)->sums->net,
        );

        if ($charge?->isPositive() === true) {
            LineOnSlip::query()->create([
                'slip_id' => $slip->id,
                'position' => (int) $slip->lines->max('position') + 1,
                'item_id' => null,
                'code' => LineColumns::FREIGHT,
                'description' => $draft->promise->way === OrderWay::Parcel ? 'Carriage' : 'Delivery',
                'department_id' => null,
                'quantity' => '1',
                'unit' => 'each',
                'unit_price' => $charge->toString(),
                'price_per' => 1,
                'price_rule' => PriceRule::Typed,
                'list_price' => $charge->toString(),
                'tax_class' => $this->terms->freightTaxClass(),
                'may_discount' => false,
            ]);
        }

        $slip->unsetRelation('lines');
    }

    /** @param  array<LineOnSlip>  $lines */
    private function weight(array $lines): BigDecimal
    {
        $weights = Item::query()
            ->whereIn('id', array_filter(
                array_map(static fn (LineOnSlip $line): ?int => $line->item_id, $lines),
                is_int(...),
            ))
            ->pluck('weight', 'id');

        return array_reduce(
            $lines,
            static fn (BigDecimal $sum, LineOnSlip $line): BigDecimal => $sum->plus(
                $line->quantity->value->multipliedBy($weights[$line->item_id ?? 0] ?? '0'),
            ),
            BigDecimal::zero(),
        );
    }

    /** What is proposed to be paid at once: the least there is. */
    private function proposeDeposit(Slip $slip, Act $act): void
    {
        $this->desk->redraw($slip, $act);
        $draft = OrderDraft::of(ReckonedCounter::of($slip, $this->house), $this->house);
        $draft === null || $draft->promise->fill(['deposit' => $draft->leastDeposit()])->save();
    }

    /**
     * @param  array<string, string>  $typed
     * @return array<string, mixed>
     */
    private function columns(Slip $slip, array $typed): array
    {
        $columns = [];

        foreach ($typed as $name => $text) {
            $text = trim($text);
            $columns += match ($name) {
                'way' => ['way' => OrderWay::tryFrom($text) ?? OrderWay::Collect],
                'source' => ['source' => OrderSource::tryFrom($text) ?? OrderSource::Counter],
                'from' => ['from_id' => $text === '' ? null : Location::query()->findOrFail((int) $text)->id],
                'wanted_on' => ['wanted_on' => $text === '' ? null : $this->wanted($slip, $text)],
                'wanted_when' => ['wanted_when' => in_array($text, ['morning', 'afternoon'], true) ? $text : ''],
                'is_charged' => ['is_charged' => $text === '1' && $this->assertAccount($slip)],
                'deposit' => ['deposit' => $this->deposit($text)],
                'deliver_to' => ['deliver_to' => mb_substr($text, 0, 300)],
                'note' => ['note' => mb_substr($text, 0, 255)],
                default => [],
            };
        }

        return $columns;
    }

    private function wanted(Slip $slip, string $text): CarbonImmutable
    {
        $day = HoldTerms::date($text);
        $this->terms->assertMayBeWanted($day, $slip->day());

        return $day;
    }

    private function deposit(string $text): Money
    {
        $deposit = $this->house->typedMoney($text) ?? $this->house->money(0);

        return $deposit->isNegative()
            ? throw Refused::because('bad_amount', 'A deposit cannot be below zero.')
            : $deposit;
    }

    /** @throws Refused not_an_account */
    private function assertAccount(Slip $slip): bool
    {
        return $slip->account !== null ? true : throw Refused::because(
            'not_an_account',
            "{$slip->customer_name} has no house account. Take a deposit, or the office opens one.",
        );
    }

    private static function asideOf(LineOnSlip $line, string $typed): ?string
    {
        if ($typed === '') {
            return null;
        }

        $aside = TypedNumber::plain($typed) === '0' ? '0' : Quantity::of(TypedNumber::plain($typed))->toString();

        return BigDecimal::of($aside)->isGreaterThan($line->quantity->value) ? throw Refused::because(
            'bad_quantity',
            "Only {$line->quantity->toString()} of “{$line->description}” are ordered.",
        ) : $aside;
    }

    private function found(Slip $slip): SlipPromise
    {
        return ($slip->becomes === Becomes::Order ? SlipPromise::query()->find($slip->id) : null)
            ?? throw Refused::because('not_held', 'This slip is not to become an order any more.');
    }

    /** @param  array<string, mixed>  $columns */
    private function promise(Slip $slip, array $columns): SlipPromise
    {
        $promise = SlipPromise::query()->find($slip->id) ?? new SlipPromise([
            'slip_id' => $slip->id,
            'source' => OrderSource::Counter,
            'way' => OrderWay::Collect,
            'from_id' => null,
            'wanted_on' => null,
            'wanted_when' => '',
            'note' => '',
            'deposit' => $this->house->money(0),
            'valid_until' => null,
            'follow_up_on' => null,
            'party' => '',
            'signature' => null,
            'signed_by' => '',
            'signed_for' => '',
            ...$columns,
        ]);
        $slip->setRelation('promise', $promise);

        return $promise;
    }

    private function addressOf(Slip $slip): string
    {
        $customer = $slip->customer;

        return $customer === null ? '' : trim(implode(', ', array_filter(
            [$customer->street, trim("{$customer->postcode} {$customer->town}")],
            static fn (string $part): bool => $part !== '',
        )));
    }
}
