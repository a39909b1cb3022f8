<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Parts\TakenIn;
use Elmstone\Counter\Parts\TakesMoney;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Shop\House;

/** A part nobody at the counter has heard of is reckoned, said, hindered, put on the receipt and entered. */
final class PartsTest extends FeatureCase
{
    /** @var list<int> receipts the part was told of */
    public static array $entered = [];

    public static bool $hinders = false;

    protected function setUp(): void
    {
        parent::setUp();
        [self::$entered, self::$hinders] = [[], false];
        $this->app->bind('parts.lantern', static fn (): TakesMoney => self::part());
        $this->app->tag(['parts.lantern'], 'slip.money');
    }

    public function test_it_is_due_said_and_posted(): void
    {
        $this->add('LH-1140');
        $this->does('cash', ['cash' => '20'])
            ->assertOk()
            ->assertSee('for the lantern 5.00');
        $this->does('post')->assertOk();
        $slip = $this->slip();
        $receipt = Document::query()->findOrFail($slip->receipt_id);

        $this->assertSame([500, 500], [$receipt->total->minor, $receipt->held(HeldKind::Deposit)->minor]);
        $this->assertSame($slip->total->minor, $this->document()->total->minor + 500);
        $this->assertSame([$receipt->id], self::$entered);
    }

    public function test_what_hinders_it_hinders_posting(): void
    {
        self::$hinders = true;
        $this->add('LH-1140');
        $this->does('cash', ['cash' => '20'])->assertOk();
        $this->does('post')->assertUnprocessable()->assertSee('The lantern is out.');

        $this->assertSame([], self::$entered);
        $this->assertNull($this->slip()->document_id);
    }

    private static function part(): TakesMoney
    {
        return new class implements TakesMoney
        {
            public function due(Slip $slip): Money
            {
                return app(House::class)->money($slip->lines->isEmpty() ? 0 : 500);
            }

            public function words(): string
            {
                return 'for the lantern';
            }

            public function alone(): string
            {
                return 'Light the lantern';
            }

            public function heldAs(): HeldKind
            {
                return HeldKind::Deposit;
            }

            public function hindrances(ReckonedCounter $reckoned): array
            {
                return PartsTest::$hinders ? [Refused::because('lantern_out', 'The lantern is out.')] : [];
            }

            public function enter(TakenIn $in): void
            {
                PartsTest::$entered[] = $in->receipt;
            }
        };
    }
}
