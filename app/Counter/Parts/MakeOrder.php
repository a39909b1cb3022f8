<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Brick\Math\BigDecimal;
use Elmstone\Books\LineColumns;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Becomes;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Counter\Slip\SlipPromise;
use Elmstone\Orders\OrderSource;
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
        private readonly OrderFreight $freight,
        private readonly TypedPromise $typed,
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
            $promise->fill($this->typed->columns($slip, $typed))->save();
            $slip->setRelation('promise', $promise);
            array_intersect_key($typed, ['way' => 0, 'freight' => 0]) === []
                || $this->freight->put($slip, $act, $typed['freight'] ?? null);

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
                    'way' => ['way' => $text === '' ? null : TypedPromise::way($text)],
                    'from' => ['from_id' => $text === '' ? null : Location::query()->findOrFail((int) $text)->id],
                    default => ['aside' => self::asideOf($goods, trim($text))],
                };
            }

            $goods->forceFill($columns)->save();
            isset($typed['way']) && $this->freight->put($slip, $act);
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

    /** What is proposed to be paid at once: the least there is. */
    private function proposeDeposit(Slip $slip, Act $act): void
    {
        $this->desk->redraw($slip, $act);
        $draft = OrderDraft::of(ReckonedCounter::of($slip, $this->house), $this->house);
        $draft === null || $draft->promise->fill(['deposit' => $draft->leastDeposit()])->save();
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
