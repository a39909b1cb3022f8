<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use DateTimeImmutable;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Receivables\AgeBand;
use Elmstone\Core\Receivables\Ageing;
use Elmstone\Core\Receivables\ChargeReason;
use Elmstone\Core\Receivables\Days;
use Elmstone\Core\Receivables\FinanceCharge;
use Elmstone\Core\Receivables\OpenItem;
use Elmstone\Core\Receivables\Share;
use Elmstone\Core\Receivables\Spread;
use Elmstone\Core\Receivables\Standing;
use Elmstone\Core\Receivables\Suggestion;
use Elmstone\Core\Receivables\Terms;
use Elmstone\Core\Receivables\TermsKind;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;

/** Terms, standing, ageing, spreading a payment, exact matches and finance charges. */
final class ReceivablesTest extends CoreCase
{
    use TestTrait;

    private static function day(string $day): DateTimeImmutable
    {
        return new DateTimeImmutable($day);
    }

    private static function item(
        string $id,
        string $open,
        string $due = '2027-02-09',
        string $date = '2027-01-10',
        string $discount = '0.00',
    ): OpenItem {
        return OpenItem::charge($id, self::day($date), self::day($due), self::usd($open), self::usd($discount));
    }

    public function test_days_between_are_those_of_the_calendar(): void
    {
        $this->limitTo(300)
            ->forAll(Generators::choose(-200000, 200000), Generators::choose(-80000, 80000))
            ->then(static function (int $start, int $days): void {
                $from = self::day('2000-01-01')
                    ->setTimezone(new \DateTimeZone('UTC'))
                    ->modify("{$start} days");
                self::assertSame($days, Days::between($from, $from->modify("{$days} days")->setTime(23, 59)));
            });
    }

    /** @return iterable<string, array{TermsKind, int, string, string}> */
    public static function dueDates(): iterable
    {
        yield 'net 30' => [TermsKind::Net, 30, '2027-01-31', '2027-03-02'];
        yield 'net 30 over a leap day' => [TermsKind::Net, 30, '2028-01-31', '2028-03-01'];
        yield 'net 0' => [TermsKind::Net, 0, '2027-05-05', '2027-05-05'];
        yield '10 days after month end' => [TermsKind::AfterMonthEnd, 10, '2027-01-05', '2027-02-10'];
        yield 'month end, on the month’s last day' => [TermsKind::AfterMonthEnd, 0, '2027-02-28', '2027-02-28'];
        yield '30 days after the end of February in a leap year' => [
            TermsKind::AfterMonthEnd,
            30,
            '2028-02-01',
            '2028-03-30',
        ];
        yield 'the 20th of next month' => [TermsKind::DayOfNextMonth, 20, '2027-12-31', '2028-01-20'];
        yield 'the 31st of a month of 30 days' => [TermsKind::DayOfNextMonth, 31, '2027-03-31', '2027-04-30'];
        yield 'the 30th of February' => [TermsKind::DayOfNextMonth, 30, '2027-01-31', '2027-02-28'];
        yield 'at once' => [TermsKind::AtOnce, 7, '2027-01-31', '2027-01-31'];
    }

    #[DataProvider('dueDates')]
    public function test_due_dates_of_all_terms(TermsKind $kind, int $days, string $date, string $due): void
    {
        self::assertSame($due, Terms::of($kind, $days)->dueOn(self::day($date))->format('Y-m-d'));
    }

    public function test_terms_that_cannot_be_are_refused(): void
    {
        self::assertRefused('bad_terms', static fn () => Terms::of(TermsKind::Net, 366));
        self::assertRefused('bad_terms', static fn () => Terms::of(TermsKind::Net, -1));
        self::assertRefused('bad_terms', static fn () => Terms::of(TermsKind::DayOfNextMonth, 0));
        self::assertRefused('bad_terms', static fn () => Terms::of(TermsKind::DayOfNextMonth, 32));
        self::assertRefused('bad_terms', static fn () => Terms::of(TermsKind::Net, 30, Percentage::of('100'), 10));
        self::assertRefused('bad_terms', static fn () => Terms::of(TermsKind::Net, 30, Percentage::of('2'), 400));
        self::assertNull(
            Terms::of(TermsKind::Net, 30, Percentage::of('0'), 10)->discountUntil(self::day('2027-01-01')),
        );
    }

    public function test_terms_say_themselves_in_the_trades_words(): void
    {
        self::assertSame(
            [
                'net 30', '2 % in 10 days, net 30', 'due at month end', '10 days after month end',
                'due on day 20 of next month', 'due at once',
            ],
            array_map(static fn (Terms $terms): string => $terms->words(), [
                Terms::of(TermsKind::Net, 30),
                Terms::of(TermsKind::Net, 30, Percentage::of('2.0'), 10),
                Terms::of(TermsKind::AfterMonthEnd),
                Terms::of(TermsKind::AfterMonthEnd, 10),
                Terms::of(TermsKind::DayOfNextMonth, 20),
                Terms::of(TermsKind::AtOnce),
            ]),
        );
    }

    /** @return iterable<string, array{string, AgeBand}> */
    public static function bands(): iterable
    {
        foreach (
            [
                '2027-03-31' => AgeBand::NotDue,
                '2027-03-30' => AgeBand::To30,
                '2027-03-01' => AgeBand::To30,
                '2027-02-28' => AgeBand::To60,
                '2027-01-30' => AgeBand::To60,
                '2027-01-29' => AgeBand::To90,
                '2026-12-31' => AgeBand::To90,
                '2026-12-30' => AgeBand::Over90,
                '2028-01-01' => AgeBand::NotDue,
            ] as $due => $band
        ) {
            yield "due {$due}" => [$due, $band];
        }
    }

    #[DataProvider('bands')]
    public function test_an_item_stands_in_the_column_of_its_days_past_due(string $due, AgeBand $band): void
    {
        $ageing = Ageing::of(Currency::of('USD'), self::day('2027-03-31'), [self::item('INV-1', '10.00', $due)]);
        self::assertSame('10.00', $ageing->in($band)->toString());
        self::assertSame('10.00', $ageing->balance->toString());
    }

    public function test_what_is_dated_later_is_not_looked_at(): void
    {
        $ageing = Ageing::of(Currency::of('USD'), self::day('2027-01-15'), [
            self::item('INV-1', '10.00'),
            self::item('INV-2', '5.00', date: '2027-01-16'),
            OpenItem::credit('RCT-1', self::day('2027-01-16'), self::usd('3.00')),
            // What is of the day itself is.
            self::item('INV-3', '1.00', date: '2027-01-15'),
        ]);
        self::assertSame('11.00', $ageing->balance->toString());
    }

    public function test_columns_always_sum_to_the_balance(): void
    {
        $this->limitTo(150)
            ->forAll(
                Generators::seq(
                    Generators::tuple(Generators::choose(0, 100000), Generators::choose(-200, 60), Generators::bool()),
                ),
            )
            ->then(static function (array $items): void {
                $day = self::day('2027-06-30');
                $balance = 0;
                $values = [];

                foreach ($items as $i => [$minor, $due, $isCredit]) {
                    $open = Money::ofMinor($minor, Currency::of('USD'));
                    $values[] = $isCredit
                        ? OpenItem::credit("R{$i}", $day->modify('-200 days'), $open)
                        : OpenItem::charge("I{$i}", $day->modify('-200 days'), $day->modify("{$due} days"), $open);
                    $balance += $isCredit ? -$minor : $minor;
                }

                $ageing = Ageing::of(Currency::of('USD'), $day, $values);
                self::assertSame($balance, $ageing->balance->minor);
                self::assertSame(
                    $balance,
                    array_sum(array_map(static fn ($column): int => $column->minor, $ageing->columns)),
                );
            });
    }

    public function test_a_payment_meets_the_oldest_due_then_the_oldest_then_the_lowest_number(): void
    {
        $spread = Spread::oldestFirst(self::usd('70.00'), [
            self::item('INV-10', '20.00', '2027-02-09'),
            self::item('INV-9', '20.00', '2027-02-09'),
            self::item('INV-11', '20.00', '2027-02-09', '2027-01-09'),
            self::item('INV-1', '20.00', '2027-02-08', '2027-02-01'),
        ]);
        self::assertSame(
            ['INV-1', 'INV-11', 'INV-9', 'INV-10'],
            array_map(static fn (Share $share): string => $share->id, $spread->shares),
        );
        self::assertSame(
            ['20.00', '20.00', '20.00', '10.00'],
            self::written(array_map(static fn (Share $share) => $share->amount, $spread->shares)),
        );
        self::assertTrue($spread->unused->isZero());
    }

    public function test_a_settlement_discount_is_taken_only_where_the_money_pays_the_item_off(): void
    {
        $items = [
            self::item('INV-1', '100.00', discount: '2.00'),
            self::item('INV-2', '50.00', '2027-03-01', discount: '1.00'),
        ];
        $spread = Spread::oldestFirst(self::usd('140.00'), $items);
        self::assertSame(
            ['98.00', '42.00'],
            self::written(array_map(static fn (Share $share) => $share->amount, $spread->shares)),
        );
        self::assertSame('2.00', $spread->discount()->toString());
        self::assertSame('100.00', $spread->on('INV-1')?->settles()->toString());
        $byHand = Spread::byHand(self::usd('140.00'), $items, [
            'INV-2' => self::usd('49.00'),
            'INV-1' => self::usd('40.00'),
        ]);
        self::assertSame(['1.00', '51.00'], [$byHand->discount()->toString(), $byHand->unused->toString()]);
    }

    public function test_by_hand_nothing_is_set_where_it_cannot_be(): void
    {
        $items = [self::item('INV-1', '100.00')];
        self::assertRefused(
            'not_open',
            static fn () => Spread::byHand(self::usd('10.00'), $items, ['INV-2' => self::usd('1.00')]),
        );
        self::assertRefused(
            'over_item',
            static fn () => Spread::byHand(self::usd('200.00'), $items, ['INV-1' => self::usd('100.01')]),
        );
        self::assertRefused(
            'over_payment',
            static fn () => Spread::byHand(self::usd('10.00'), $items, ['INV-1' => self::usd('10.01')]),
        );
        self::assertRefused(
            'bad_amount',
            static fn () => Spread::byHand(self::usd('10.00'), $items, ['INV-1' => self::usd('-1.00')]),
        );
        self::assertRefused('bad_amount', static fn () => Spread::oldestFirst(self::usd('-0.01'), $items));
    }

    public function test_a_payment_is_never_more_or_less_than_what_it_meets_and_what_is_left(): void
    {
        $this->limitTo(150)
            ->forAll(Generators::choose(0, 200000), Generators::seq(Generators::choose(1, 60000)))
            ->then(static function (int $amount, array $opens): void {
                $items = array_map(
                    static fn (int $open, int $i): OpenItem => OpenItem::charge(
                        "INV-{$i}",
                        self::day('2027-01-01'),
                        self::day('2027-02-01'),
                        Money::ofMinor($open, Currency::of('USD')),
                    ),
                    $opens,
                    array_keys($opens),
                );
                $spread = Spread::oldestFirst(Money::ofMinor($amount, Currency::of('USD')), $items);
                $met = array_sum(array_map(static fn (Share $share): int => $share->amount->minor, $spread->shares));
                self::assertSame($amount, $met + $spread->unused->minor);
                self::assertSame(max(0, $amount - array_sum($opens)), $spread->unused->minor);
            });
    }

    public function test_exact_matches_are_the_same_as_looking_at_every_set(): void
    {
        $this->limitTo(120)
            ->forAll(
                Generators::vector(9, Generators::choose(1, 14)),
                Generators::choose(1, 60),
                Generators::choose(1, 9),
            )
            ->then(static function (array $opens, int $amount, int $count): void {
                $opens = array_slice($opens, 0, $count);
                $sets = [];

                for ($mask = 1; $mask < 1 << $count; $mask++) {
                    $set = array_values(
                        array_filter(range(0, $count - 1), static fn (int $i): bool => (($mask >> $i) & 1) === 1),
                    );

                    if (array_sum(array_intersect_key($opens, array_flip($set))) === $amount) {
                        $sets[] = $set;
                    }
                }

                usort(
                    $sets,
                    static fn (array $one, array $other): int => count($one) === count($other)
                        ? $one <=> $other
                        : count($one) <=> count($other),
                );
                $items = array_map(
                    static fn (int $open, int $i): OpenItem => OpenItem::charge(
                        "INV-{$i}",
                        self::day('2027-01-01'),
                        self::day('2027-02-01')->modify("+{$i} days"),
                        Money::ofMinor($open, Currency::of('USD')),
                    ),
                    $opens,
                    array_keys($opens),
                );
                $suggestion = Suggestion::for(Money::ofMinor($amount, Currency::of('USD')), $items);
                self::assertSame(
                    array_map(
                        static fn (array $set): array => array_map(static fn (int $i): string => "INV-{$i}", $set),
                        array_slice($sets, 0, 5),
                    ),
                    $suggestion->matches,
                );
                self::assertSame(count($sets) > 5, $suggestion->more);
                self::assertFalse($suggestion->gaveUp);
            });
    }

    public function test_with_four_hundred_items_it_finds_few_or_all_but_few_and_says_when_it_gave_up(): void
    {
        $opens = array_map(static fn (int $i): int => 1000 + (($i * 7919) % 88_001), range(1, 400));
        $items = array_map(
            static fn (int $open, int $i): OpenItem => OpenItem::charge(
                "INV-{$i}",
                self::day('2027-01-01'),
                self::day('2027-02-01')->modify("+{$i} days"),
                Money::ofMinor($open, Currency::of('USD')),
            ),
            $opens,
            array_keys($opens),
        );
        $for = static fn (int $minor): Suggestion => Suggestion::for(
            Money::ofMinor($minor, Currency::of('USD')),
            $items,
        );
        self::assertSame([['INV-3']], array_slice($for($opens[3])->matches, 0, 1));
        $most = $for(array_sum($opens) - $opens[7] - $opens[90]);
        self::assertCount(398, $most->matches[0]);
        self::assertTrue($for(intdiv(array_sum($opens), 2) + 1)->gaveUp);
        self::assertSame([], $for(array_sum($opens) + 1)->matches);
        self::assertFalse($for(array_sum($opens) + 1)->gaveUp);
    }

    /** @return iterable<string, array{array<string, mixed>, string, list<string>}> */
    public static function charges(): iterable
    {
        yield 'room enough' => [['amount' => '50.00'], 'allowed', []];
        yield 'over the limit' => [['amount' => '50.01'], 'needs_approval', ['over_limit']];
        yield 'a limit of 0' => [
            ['limit' => '0.00', 'balance' => '0.00', 'amount' => '0.01'],
            'needs_approval',
            ['over_limit'],
        ];
        yield 'nothing charged to a limit of 0' => [
            ['limit' => '0.00', 'balance' => '0.00', 'amount' => '0.00'],
            'allowed',
            [],
        ];
        yield 'a credit balance makes room' => [['balance' => '-100.00', 'amount' => '600.00'], 'allowed', []];
        yield 'orders take room' => [['orders' => '10.00', 'amount' => '50.00'], 'needs_approval', ['over_limit']];
        yield 'as late as allowed' => [['late' => 15], 'allowed', []];
        yield 'later than allowed' => [['late' => 16], 'needs_approval', ['overdue']];
        yield 'no purchase order' => [['wants' => true], 'needs_approval', ['purchase_order_required']];
        yield 'blanks are no purchase order' => [
            ['wants' => true, 'order' => '  '],
            'needs_approval',
            ['purchase_order_required'],
        ];
        yield 'a purchase order' => [['wants' => true, 'order' => 'PO-1'], 'allowed', []];
        yield 'not authorised' => [['authorised' => false], 'needs_approval', ['buyer_not_authorised']];
        yield 'everything at once' => [
            ['stop' => true, 'amount' => '51.00', 'late' => 16, 'wants' => true, 'authorised' => false],
            'refused',
            ['on_stop', 'over_limit', 'overdue', 'purchase_order_required', 'buyer_not_authorised'],
        ];
    }

    /**
     * @param  array<string, mixed>  $case
     * @param  list<string>  $reasons
     */
    #[DataProvider('charges')]
    public function test_a_charge_is_decided_with_every_reason(array $case, string $word, array $reasons): void
    {
        $case += [
            'limit' => '500.00',
            'balance' => '450.00',
            'orders' => '0.00',
            'stop' => false,
            'late' => 0,
            'wants' => false,
            'amount' => '1.00',
            'order' => null,
            'authorised' => true,
        ];
        $decision = (new Standing(
            self::usd($case['limit']),
            self::usd($case['balance']),
            self::usd($case['orders']),
            $case['stop'],
            $case['late'],
            15,
            $case['wants'],
        ))->charge(self::usd($case['amount']), $case['order'], $case['authorised']);
        self::assertSame(
            [$word, $reasons],
            [
                $decision->word(),
                array_map(static fn (ChargeReason $reason): string => $reason->value, $decision->reasons),
            ],
        );
    }

    public function test_without_an_account_nothing_is_charged(): void
    {
        self::assertSame('refused', Standing::withoutAccount(self::usd('1.00'))->word());
        self::assertRefused(
            'bad_limit',
            static fn () => new Standing(self::usd('-1.00'), self::usd('0.00'), self::usd('0.00')),
        );
        self::assertRefused(
            'bad_amount',
            static fn () => (new Standing(self::usd('1.00'), self::usd('0.00'), self::usd('0.00')))->charge(
                self::usd('-1.00'),
            ),
        );
    }

    public function test_a_finance_charge_is_per_item_past_grace_never_on_an_earlier_one_and_has_a_least_amount(): void
    {
        $items = [
            self::item('INV-1', '100.30', '2027-01-01', '2026-12-01'),
            self::item('INV-2', '100.00', '2027-01-16', '2026-12-16'),
            self::item('INV-3', '33.33', '2026-12-31', '2026-12-01'),
            OpenItem::charge('ADJ-1', self::day('2026-12-01'), self::day('2026-12-01'), self::usd('50.00'), null, true),
        ];
        $on = static fn (string $minimum): FinanceCharge => FinanceCharge::on(
            Currency::of('USD'),
            self::day('2027-01-31'),
            $items,
            Percentage::of('1.5'),
            15,
            self::usd($minimum),
        );
        self::assertSame(
            ['INV-3' => '0.50', 'INV-1' => '1.50'],
            array_map(static fn ($amount): string => $amount->toString(), $on('0.00')->perItem),
        );
        self::assertSame(['2.00', '5.00'], [$on('0.00')->amount->toString(), $on('5.00')->amount->toString()]);
        self::assertTrue(
            FinanceCharge::on(
                Currency::of('USD'),
                self::day('2026-12-15'),
                [$items[0]],
                Percentage::of('1.5'),
                15,
                self::usd('5.00'),
            )->amount->isZero(),
        );
    }

    public function test_no_finance_charge_is_on_what_unused_credit_would_meet(): void
    {
        $on = static fn (string ...$credits): array => FinanceCharge::on(
            Currency::of('USD'),
            self::day('2027-01-31'),
            [
                self::item('INV-2', '50.00', '2026-12-01', '2026-11-01'),
                self::item('INV-1', '100.00', '2026-11-01', '2026-10-01'),
                ...array_map(static fn (string $amount): OpenItem => OpenItem::credit(
                    "RCT-{$amount}", self::day('2027-01-30'), self::usd($amount),
                ), array_values($credits)),
            ],
            Percentage::of('2'),
            15,
            self::usd('0.00'),
        )->perItem;
        $written = static fn (array $perItem): array => array_map(
            static fn (Money $amount): string => $amount->toString(), $perItem,
        );
        self::assertSame(['INV-1' => '2.00', 'INV-2' => '1.00'], $written($on()));
        self::assertSame(['INV-1' => '0.80', 'INV-2' => '1.00'], $written($on('60.00')));
        self::assertSame(['INV-2' => '0.60'], $written($on('60.00', '60.00')));
        self::assertSame([], $written($on('150.00')));
        self::assertSame([], $written($on('900.00')));
    }

    public function test_parts_of_a_plan_are_met_before_what_is_older(): void
    {
        $items = [
            self::item('old', '30.00', '2027-01-01'),
            self::item('part 1', '20.00', '2027-03-01'),
            self::item('part 2', '20.00', '2027-04-01'),
        ];
        $spread = static fn (string $amount): array => array_map(
            static fn (Share $share): string => "{$share->id} {$share->amount->toString()}",
            Spread::chosenFirst(Money::of($amount, Currency::of('USD')), $items, ['part 2', 'part 1'])->shares,
        );
        self::assertSame(['part 1 15.00'], $spread('15'));
        self::assertSame(['part 1 20.00', 'part 2 20.00', 'old 5.00'], $spread('45'));
        self::assertSame(
            '10.00',
            Spread::chosenFirst(Money::of('80', Currency::of('USD')), $items, ['part 1'])->unused->toString(),
        );
        self::assertSame(
            ['old 30.00', 'part 1 5.00'],
            array_map(
                static fn (Share $share): string => "{$share->id} {$share->amount->toString()}",
                Spread::chosenFirst(Money::of('35', Currency::of('USD')), $items, ['not there'])->shares,
            ),
        );
    }
}
