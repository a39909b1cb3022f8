<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Orders\OrderSource;
use Elmstone\Orders\OrderTerms;
use Elmstone\Orders\OrderWay;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;

/** What is typed of an order on a slip, as it is kept. */
final readonly class TypedPromise
{
    public function __construct(private House $house, private OrderTerms $terms)
    {
    }

    /** @throws Refused bad_way */
    public static function way(string $text): OrderWay
    {
        return OrderWay::tryFrom($text)
            ?? throw Refused::because('bad_way', 'That is not a way for goods to leave here.');
    }

    /**
     * @param  array<string, string>  $typed by field
     * @return array<string, mixed> by column
     *
     * @throws Refused bad_way, bad_source, bad_date, wanted_past, wanted_closed, not_an_account, bad_amount
     */
    public function columns(Slip $slip, array $typed): array
    {
        $columns = [];

        foreach ($typed as $name => $text) {
            $text = trim($text);
            $columns += match ($name) {
                'way' => ['way' => self::way($text)],
                'source' => ['source' => OrderSource::tryFrom($text)
                    ?? throw Refused::because('bad_source', 'That is not a way for orders to come in here.')],
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
}
