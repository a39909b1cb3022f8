<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Words;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Lines\EntryText;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Page\Complaint;
use Elmstone\Counter\Slip\Reductions;
use Elmstone\MoneyOut\Way;
use Elmstone\Paper\Barcode;
use Elmstone\Returns\Source;
use Elmstone\Shop\House;
use Elmstone\Shop\Shop;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Approvals\ApprovalAsk;
use Elmstone\Staff\Rights;
use Elmstone\Staff\Role;
use Elmstone\Support\Scale;
use Elmstone\Support\Show;
use Illuminate\Http\Request;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The small parts of the rooms, each on its own, without database or page. */
final class SmallPartsTest extends TestCase
{
    private static function usd(string $amount): Money
    {
        return Money::of($amount, Currency::of('USD'));
    }

    #[DataProvider('entries')]
    public function test_the_entry_line_splits_a_quantity_from_what_is_meant(
        string $typed,
        string $quantity,
        string $text,
    ): void {
        $entry = EntryText::read($typed);
        self::assertSame([$quantity, $text], [$entry->quantity->toString(), $entry->text]);
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function entries(): iterable
    {
        yield 'nothing before it' => ['elbow', '1', 'elbow'];
        yield 'a quantity' => ['4 x elbow', '4', 'elbow'];
        yield 'a capital X' => ['4 X elbow', '4', 'elbow'];
        yield 'a times sign' => ['4 × elbow', '4', 'elbow'];
        yield 'close together' => ['4x elbow', '4', 'elbow'];
        yield 'the other side close together' => ['4 xelbow', '4', 'elbow'];
        yield 'a decimal comma' => ['2,4 x pipe', '2.4', 'pipe'];
        yield 'blanks around' => ['  12 x  limestone hook  ', '12', 'limestone hook'];
        yield 'a size in the name is no quantity' => ['5×60', '1', '5×60'];
        yield 'a number alone is a code' => ['4006', '1', '4006'];
        yield 'an x in the name' => ['box 4', '1', 'box 4'];
    }

    public function test_a_number_close_to_a_code_may_be_a_quantity(): void
    {
        $say = static fn (string $typed): array => array_map(
            static fn (EntryText $one): string => "{$one->quantity->toString()} of {$one->text}",
            EntryText::readings($typed),
        );
        self::assertSame(['1 of 4*LH-1140', '4 of LH-1140'], $say('4*LH-1140'));
        self::assertSame(['1 of 2x4', '2 of 4'], $say('2x4'));
        self::assertSame(['4 of elbow'], $say('4 x elbow'));
        self::assertSame(['1 of elb*22'], $say('elb*22'));
    }

    private static function house(): House
    {
        $largest = Money::of('1000000.00', Currency::of('USD'));
        app()->instance(Currency::class, $largest->currency);

        return new House(static fn (): Shop => new Shop(['currency' => 'USD', 'largest_amount' => $largest]));
    }

    #[DataProvider('discounts')]
    public function test_discounts_are_read_and_written_the_same_way(string $typed, string $written): void
    {
        $reduction = Reductions::typed($typed, self::house());
        self::assertSame($written, Reductions::written($reduction));
        self::assertEquals($reduction, Reductions::typed($written, self::house()));
        ['discount_percent' => $percent, 'discount_amount' => $amount] = Reductions::columns($reduction);
        self::assertEquals($reduction, Reduction::stored(
            $percent === null ? null : Percentage::of($percent),
            $amount,
        ));
    }

    /** @return iterable<array{string, string}> */
    public static function discounts(): iterable
    {
        yield ['5', '5 %'];
        yield ['5 %', '5 %'];
        yield ['7,5%', '7.5 %'];
        yield ['2.00 off', '2.00 off'];
        yield ['2 OFF', '2.00 off'];
        yield ['-5', '5.00 off'];
        yield ['−2,50', '2.50 off'];
        yield ['0.50', '0.50 off'];
        yield ['0,5', '0.5 %'];
        yield ['-1 off', '1.00 off'];
        yield ['', ''];
        yield ['0', ''];
        yield ['0 off', ''];
        yield ['–', ''];
        yield ['100', '100 %'];
    }

    #[DataProvider('badDiscounts')]
    public function test_a_discount_that_makes_no_sense_is_refused(string $typed): void
    {
        $this->expectException(Refused::class);
        Reductions::typed($typed, self::house());
    }

    /** @return iterable<array{string}> */
    public static function badDiscounts(): iterable
    {
        yield 'more than the largest amount' => ['1000000.01 off'];
        foreach (['101', 'half', '--5', '-', '-5 %', 'off', '2.005 off', '5 %%x', '1,234'] as $typed) {
            yield $typed => [$typed];
        }
    }

    #[DataProvider('figures')]
    public function test_figures_are_written_in_groups_with_a_true_minus(
        string $amount,
        string $currency,
        string $shown,
    ): void {
        self::assertSame($shown, Show::money(Money::of($amount, Currency::of($currency))));
    }

    /** @return iterable<array{string, string, string}> */
    public static function figures(): iterable
    {
        yield ['0', 'USD', '0.00'];
        yield ['999.9', 'USD', '999.90'];
        yield ['1204.75', 'USD', '1,204.75'];
        yield ['-1234567.05', 'USD', '−1,234,567.05'];
        yield ['1204', 'JPY', '1,204'];
        yield ['1234.567', 'KWD', '1,234.567'];
    }

    public function test_decimals_prices_dates_and_waiting_times(): void
    {
        CarbonImmutable::setTestNow('2027-03-14 12:00:00');
        self::assertSame(
            ['12', '2.4', '0'],
            [Show::decimal('12.0000'), Show::decimal('2.4000'), Show::decimal('0.0000')],
        );
        self::assertSame(
            ['3.80', '0.0425', '9.80'],
            [Show::price('3.8000'), Show::price('0.0425'), Show::price('9.8')],
        );
        self::assertSame('14 Mar 2027', Show::date(CarbonImmutable::now()));
        $ago = static fn (int $minutes): string => Show::waited(CarbonImmutable::now()->subMinutes($minutes));
        self::assertSame(
            ['now', '6 min', '89 min', '1 h', '47 h', '2 days'],
            array_map($ago, [0, 6, 89, 90, 2879, 2880]),
        );
        CarbonImmutable::setTestNow();
    }

    #[DataProvider('texts')]
    public function test_words_are_taken_apart_as_people_look_for_them(string $text, string ...$words): void
    {
        self::assertSame($words, Words::in($text));
    }

    /** @return iterable<array<string>> */
    public static function texts(): iterable
    {
        yield ['Limestone hook, plain, 140 mm', 'limestone', 'hook', 'plain', '140', 'mm'];
        yield ['Grout, 3.5 kg', 'grout', '3.5', 'kg'];
        yield ['Crème brûlée tile, tile', 'creme', 'brulee', 'tile'];
        yield ['', ...[]];
        yield ['...', ''];
    }

    public function test_a_barcode_is_drawn_without_styles_and_named_for_those_who_do_not_see_it(): void
    {
        $svg = Barcode::svg('INV-000042');
        self::assertStringContainsString('aria-label="barcode INV-000042"', $svg);
        self::assertStringNotContainsString('style', $svg);
        self::assertGreaterThan(20, substr_count($svg, '<rect'));
        self::assertStringContainsString('&lt;', Barcode::svg('<'));
    }

    public function test_a_complaint_stands_at_its_field_with_what_was_typed(): void
    {
        $complaint = Complaint::about('line.7.price', Refused::because('needs_approval', 'Too low.'), '3');
        self::assertTrue(
            $complaint->exists()
                && $complaint->on('line.7.price')
                && $complaint->within('line.7.')
                && $complaint->isApprovable(),
        );
        self::assertFalse($complaint->on('line.7.quantity') || $complaint->within('line.8.'));
        self::assertSame(
            ['3', '9'],
            [$complaint->typedOr('line.7.price', '9'), $complaint->typedOr('line.7.quantity', '9')],
        );
        self::assertFalse(Complaint::none()->exists() || Complaint::none()->on('cash'));
    }

    public function test_an_approval_field_left_empty_asks_for_nothing(): void
    {
        self::assertNull(ApprovalAsk::from(new Request));
        $ask = ApprovalAsk::from(
            new Request(['approver' => ' 201 ', 'approver_pin' => '4201', 'approver_reason' => ' chipped ']),
        );
        self::assertSame(['201', '4201', 'chipped'], [$ask?->number, $ask?->pin, $ask?->reason]);
    }

    public function test_each_role_may_do_what_the_one_before_it_may(): void
    {
        $allowed = array_map(
            static fn (Role $role): int => count(
                array_filter(
                    Ability::cases(),
                    static fn (Ability $ability): bool => Rights::asShipped($role, $ability),
                ),
            ),
            Role::cases(),
        );
        $rising = $allowed;
        sort($rising);
        self::assertSame($rising, $allowed);

        foreach (Ability::cases() as $ability) {
            self::assertTrue(Rights::asShipped(Role::Owner, $ability), "The owner may {$ability->value}.");
        }

        self::assertFalse(
            Rights::asShipped(Role::Clerk, Ability::Approve)
                || Rights::asShipped(Role::Clerk, Ability::SeeMargin)
                || Rights::asShipped(Role::Supervisor, Ability::EditItems),
        );
    }

    public function test_a_reduction_is_never_both(): void
    {
        self::assertNull(Reduction::percent('5')->amount);
        self::assertNull(Reduction::amount(self::usd('5.00'))->percent);
    }

    public function test_a_picture_has_a_length_for_any_figures(): void
    {
        self::assertSame(
            [144, -144, 95, 0],
            [Scale::to(288, 1, 2), Scale::to(288, -1, 2), Scale::to(288, 999_999, 2_999_999), Scale::to(288, 5, 0)],
        );
        self::assertSame(288, Scale::to(288, PHP_INT_MAX, PHP_INT_MAX));
        self::assertSame([100_000, -100_000], [Scale::to(288, PHP_INT_MAX, 1), Scale::to(288, -PHP_INT_MAX, 1)]);
    }

    public function test_a_decimal_is_a_value_whatever_it_is_written_with(): void
    {
        $line = (new LineOnSlip)->setRawAttributes(['quantity' => '2.0000', 'floor_price' => null], true);
        self::assertSame('2', $line->quantity->toString());
        self::assertNull($line->floor_price);
        $line->setAttribute('quantity', '2');
        self::assertFalse($line->isDirty(), 'needless zeros are no change');
        $line->setAttribute('quantity', '2.5');
        self::assertTrue($line->isDirty());
        self::assertSame('2.5', $line->getAttributes()['quantity']);
    }

    public function test_what_is_no_such_decimal_does_not_come_onto_a_model(): void
    {
        $this->expectExceptionObject(Refused::because('bad_quantity', '“two” is not a quantity.'));
        (new LineOnSlip)->setAttribute('quantity', 'two');
    }

    /** @return iterable<string, array{string, TenderKind, string, bool}> */
    public static function ways(): iterable
    {
        yield 'cash' => ['cash', TenderKind::Cash, '', true];
        yield 'a card' => ['card:123456', TenderKind::Card, '123456', true];
        yield 'a gift card' => ['gift_card:7', TenderKind::GiftCard, '7', false];
    }

    #[DataProvider('ways')]
    public function test_a_way_is_read_as_it_was_written(
        string $key,
        TenderKind $kind,
        string $which,
        bool $money,
    ): void {
        $way = Way::read($key);
        self::assertEquals(Way::of($kind, $which), $way);
        self::assertSame([$key, $money], [$way?->key(), $way?->isMoney()]);
        self::assertNull(Way::read('fee'));
        self::assertSame($which === '' ? [] : [4], array_values(Way::among([$key => 4, 'fee' => 9], $kind)));
    }

    public function test_a_source_is_read_as_it_was_written(): void
    {
        foreach ([Source::paid(12), Source::charged(3), Source::blind()] as $source) {
            self::assertEquals($source, Source::read($source->key()));
        }
    }
}
