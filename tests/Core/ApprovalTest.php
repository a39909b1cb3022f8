<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use PHPUnit\Framework\Attributes\DataProvider;

/** An approval holds for what was approved, for less, and for nothing beyond. */
final class ApprovalTest extends CoreCase
{
    private static function pieces(string $quantity, int $net): Scope
    {
        return Scope::of(ApprovalKind::BelowFloor)
            ->naming('line', 7)
            ->pieces(Quantity::of($quantity), Money::ofMinor($net, Currency::of('USD')));
    }

    #[DataProvider('needs')]
    public function test_it_covers_up_to_its_figures(Scope $approved, Scope $needed, bool $covered): void
    {
        $this->assertSame($covered, $approved->covers($needed));
        $this->assertSame(
            $covered,
            Scope::fromJson($approved->kind, $approved->toJson())->covers($needed),
            'as it is kept',
        );
    }

    /** @return iterable<string, array{Scope, Scope, bool}> */
    public static function needs(): iterable
    {
        $aside = Scope::of(ApprovalKind::Committed)->naming('item', 3)->upTo('quantity', Quantity::of('2.5'));
        yield 'the same' => [$aside, $aside, true];
        yield 'less' => [
            $aside,
            Scope::of(ApprovalKind::Committed)->naming('item', 3)->upTo('quantity', Quantity::of('2')),
            true,
        ];
        yield 'more' => [
            $aside,
            Scope::of(ApprovalKind::Committed)->naming('item', 3)->upTo('quantity', Quantity::of('2.5001')),
            false,
        ];
        yield 'another thing' => [
            $aside,
            Scope::of(ApprovalKind::Committed)->naming('item', 4)->upTo('quantity', Quantity::of('1')),
            false,
        ];
        yield 'another kind' => [
            $aside,
            Scope::of(ApprovalKind::OneOff)->naming('item', 3)->upTo('quantity', Quantity::of('1')),
            false,
        ];
        yield 'a figure nobody approved' => [$aside, $aside->upTo('money', 1), false];
        yield 'a figure nobody approved, of nothing' => [$aside, $aside->upTo('money', 0), true];
        yield 'a name nobody approved' => [$aside, $aside->naming('buyer', 9), false];
        yield 'fewer pieces at the same' => [self::pieces('3', 1040), self::pieces('1', 346), true];
        yield 'fewer pieces, each for less' => [self::pieces('3', 1040), self::pieces('1', 345), false];
        yield 'fewer pieces, each for more' => [self::pieces('3', 1040), self::pieces('1', 385), true];
        yield 'a cent less for the same' => [self::pieces('1', 350), self::pieces('1', 349), false];
        yield 'more pieces at the same' => [self::pieces('1', 350), self::pieces('500', 175_000), false];
        yield 'given away' => [self::pieces('1', 350), self::pieces('1', 0), false];
    }

    public function test_what_goes_beyond_is_named(): void
    {
        $approved = Scope::of(ApprovalKind::MoneyOut)->naming('way', 'cash')->upTo('amount', 500);
        $this->assertSame(
            ['way', 'amount'],
            $approved->beyond(Scope::of(ApprovalKind::MoneyOut)->naming('way', 'cheque')->upTo('amount', 501)),
        );
    }
}
