<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Tables;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Opening\OpeningItem;
use Elmstone\Receivables\Opening\PostOpening;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Elmstone\Support\TypedDate;

/** Reads rows of open items, against the accounts there are. */
final class OpenItemRows
{
    /** @var array<int, int> ids of accounts that are not closed, by the customer's number */
    private array $accounts = [];

    /** @var array<string, true> */
    private array $brought = [];

    /** @var array<string, int> lines by customer and number */
    private array $seen = [];

    public function __construct(private readonly House $house)
    {
    }

    /**
     * @param  iterable<int, array<string, string>>  $rows by line of the file
     * @param  callable(int, OpeningItem|Refused, string): void  $take line, the item or what is wrong with it, whose it
     *     is and what it was called
     */
    public function each(iterable $rows, callable $take): void
    {
        $this->accounts = Customer::query()
            ->whereIn('id', HouseAccount::query()->whereNull('closed_on')->select('customer_id'))
            ->pluck('id', 'number')
            ->all();
        $this->brought = PostOpening::brought(array_values($this->accounts));
        $this->seen = [];

        foreach ($rows as $line => $row) {
            try {
                $item = $this->item($row, $line);
            } catch (Refused $refused) {
                $item = $refused;
            }

            $take($line, $item, trim("{$row['customer']} · {$row['number']}", ' ·'));
        }
    }

    /** @param  array<string, string>  $row */
    private function item(array $row, int $line): OpeningItem
    {
        $customer = ctype_digit($row['customer']) ? $this->accounts[(int) $row['customer']] ?? null : null;
        $customer !== null || throw Refused::because(
            'no_account', "There is no house account with the number “{$row['customer']}”. Open it first.",
        );
        $number = $row['number'];
        $key = "{$customer} {$number}";
        $dated = self::day($row['dated'], 'dated');
        $due = $row['due'] === '' ? $dated : self::day($row['due'], 'due');

        match (true) {
            $number === '' => throw Refused::because('no_number', 'The number it had is missing.'),
            mb_strlen($number) > 40 => throw Refused::because('too_long', 'The number is longer than 40 letters.'),
            isset($this->seen[$key]) => throw Refused::because(
                'twice', "It stands on line {$this->seen[$key]} already.",
            ),
            isset($this->brought[$key]) => throw Refused::because('brought_before', 'It was brought in before.'),
            $dated->greaterThan(ShopTime::today()) => throw Refused::because(
                'future_date', 'It is dated on a day to come.',
            ),
            $due->lessThan($dated) => throw Refused::because('bad_due', 'It is due before it was made.'),
            default => $this->seen[$key] = $line,
        };

        return new OpeningItem($customer, $number, $dated, $due, $this->open($row['open']));
    }

    private static function day(string $typed, string $what): CarbonImmutable
    {
        return TypedDate::of($typed)
            ?? throw Refused::because('bad_date', "“{$typed}” ({$what}) is no date. Write it as 2026-03-31.");
    }

    private function open(string $typed): Money
    {
        $isCredit = preg_match('/^[-−]/u', $typed) === 1;
        $open = $this->house->fitting(Money::of(
            TypedNumber::plain($isCredit ? trim(mb_substr($typed, 1)) : $typed), $this->house->currency(),
        ));

        return match (true) {
            $open->isZero() => throw Refused::because('bad_amount', 'Nothing is open of it.'),
            $isCredit => $open->negated(),
            default => $open,
        };
    }
}
