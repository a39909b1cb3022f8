<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\CashStep;
use Elmstone\Core\Settlement\LikelyNotes;
use Elmstone\Core\Settlement\Settlement;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use PHPUnit\Framework\Attributes\DataProvider;

final class SettlementTest extends CoreCase
{
    /**
     * @param  array<string, string>  $tenders amounts by kind
     */
    private static function settle(string $total, array $tenders, ?string $step = null): Settlement
    {
        $given = [];

        foreach ($tenders as $kind => $amount) {
            $given[] = Tender::of(TenderKind::from($kind), self::usd($amount));
        }

        return Settlement::of(self::usd($total), $given, $step === null ? null : CashStep::of(self::usd($step)));
    }

    /**
     * @param  array<string, string>  $tenders
     * @param  list<string>  $figures cash rounding, change, outstanding
     */
    #[DataProvider('settlements')]
    public function test_it_settles(string $total, array $tenders, ?string $step, array $figures): void
    {
        $settled = self::settle($total, $tenders, $step);
        self::assertSame($figures, self::written([$settled->cashRounding, $settled->change, $settled->outstanding]));
        $applied = array_sum(array_map(static fn (Tender $tender): int => $tender->amount->minor, $settled->applied));
        self::assertSame(
            abs($settled->total->minor) + $settled->cashRounding->minor,
            $applied + $settled->outstanding->minor,
        );
    }

    /** @return iterable<string, array{string, array<string, string>, string|null, list<string>}> */
    public static function settlements(): iterable
    {
        yield 'two ways with change' => [
            '39.84',
            ['card' => '20.00', 'cash' => '20.00'],
            null,
            ['0.00', '0.16', '0.00'],
        ];
        yield 'exactly' => ['39.84', ['cheque' => '39.84'], null, ['0.00', '0.00', '0.00']];
        yield 'part' => ['39.84', ['card' => '20.00'], '0.05', ['0.00', '0.00', '19.84']];
        yield 'nothing given is not rounded' => ['39.83', [], '0.05', ['0.00', '0.00', '39.83']];
        yield 'rounded up' => ['39.83', ['cash' => '40.00'], '0.05', ['0.02', '0.15', '0.00']];
        yield 'rounded down, and the rounded sum is enough' => [
            '39.82',
            ['cash' => '39.80'],
            '0.05',
            ['-0.02', '0.00', '0.00'],
        ];
        yield 'the unrounded sum is enough where rounding goes up' => [
            '39.83',
            ['cash' => '39.84'],
            '0.05',
            ['0.00', '0.01', '0.00'],
        ];
        yield 'a half step goes up' => ['0.50', ['cash' => '1.00'], '1.00', ['0.50', '0.00', '0.00']];
        yield 'too little cash is not rounded' => ['39.83', ['cash' => '39.00'], '0.05', ['0.00', '0.00', '0.83']];
        yield 'only the cash part is rounded' => [
            '39.83',
            ['card' => '30.01', 'cash' => '10.00'],
            '0.05',
            ['-0.02', '0.20', '0.00'],
        ];
        yield 'nothing due and cash on the counter' => ['0.00', ['cash' => '5.00'], null, ['0.00', '5.00', '0.00']];
        yield 'money going out' => ['-10.02', ['cash' => '10.00'], '0.05', ['-0.02', '0.00', '0.00']];
        yield 'money going out two ways' => [
            '-10.02',
            ['card' => '6.00', 'cash' => '4.02'],
            null,
            ['0.00', '0.00', '0.00'],
        ];
    }

    public function test_only_cash_may_be_over(): void
    {
        self::assertRefused(
            'over_tendered',
            static fn () => self::settle('10.00', ['card' => '6.00', 'cheque' => '4.01']),
        );
        self::assertRefused('over_tendered', static fn () => self::settle('-10.00', ['card' => '10.01']));
        self::assertRefused('bad_amount', static fn () => self::settle('10.00', ['cash' => '-1.00']));
        self::assertRefused('bad_cash_step', static fn () => self::settle('10.00', [], '0.00'));
    }

    public function test_change_comes_from_the_cash_counted_last(): void
    {
        $cash = static fn (string $amount): Tender => Tender::of(TenderKind::Cash, self::usd($amount));
        $settled = Settlement::of(self::usd('12.00'), [$cash('10.00'), $cash('5.00')]);
        self::assertSame(
            ['10.00', '2.00'],
            self::written(array_map(static fn (Tender $tender): Money => $tender->amount, $settled->applied)),
        );
    }

    public function test_likely_notes_rise_from_the_exact_sum(): void
    {
        $notes = array_map(self::usd(...), ['5.00', '10.00', '20.00', '50.00', '100.00']);
        self::assertSame(
            ['39.84', '40.00', '50.00', '100.00'],
            self::written(LikelyNotes::for(self::usd('39.84'), $notes)),
        );
        self::assertSame(['20.00', '50.00', '100.00'], self::written(LikelyNotes::for(self::usd('20.00'), $notes)));
        self::assertSame([], LikelyNotes::for(self::usd('0.00'), $notes));
    }
}
