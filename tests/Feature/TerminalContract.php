<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Devices\BatchReport;
use Elmstone\Devices\CardTerminal;
use Elmstone\Devices\DeviceFailed;
use Elmstone\Devices\OnFile;
use Elmstone\Devices\TerminalOutcome;
use Elmstone\Shop\Till;
use Illuminate\Support\Str;

/**
 * What every adapter of a card terminal holds to (docs/devices.md): the house relies on each of these. A test case of
 * an adapter extends this one, says how its terminal is made to behave, and passes.
 */
abstract class TerminalContract extends FeatureCase
{
    /** @param  'approve'|'decline'|'partial'|'silent_approve'|'silent_decline'|'off_line'  $how it does next */
    abstract protected function acts(string $how): void;

    abstract protected function device(): CardTerminal;

    public function test_a_payment_is_approved_and_the_same_key_is_the_same_payment(): void
    {
        $this->acts('approve');
        $key = (string) Str::uuid();
        $first = $this->device()->take($this->till(), $key, $this->money('40.00'));
        self::assertSame(TerminalOutcome::Approved, $first->outcome);
        self::assertSame('40.00', $first->approved?->toString());
        self::assertNotSame('', $first->authorisation);
        self::assertContains($first->cardType, ['credit', 'debit']);
        $this->acts('decline');
        self::assertEquals($first, $this->device()->take($this->till(), $key, $this->money('40.00')));
        self::assertEquals($first, $this->device()->ask($this->till(), $key, $this->money('40.00')));
        self::assertSame(1, $this->report()->count);
    }

    public function test_never_more_of_a_card_is_said_than_its_last_four_digits(): void
    {
        $this->acts('approve');
        $answer = $this->device()->take($this->till(), (string) Str::uuid(), $this->money('5.00'));
        self::assertMatchesRegularExpression('/^\d{4}$/D', $answer->lastFour);
        self::assertDoesNotMatchRegularExpression('/\d{9,}/', (string) json_encode($answer));
    }

    public function test_a_decline_says_why_and_takes_nothing(): void
    {
        $this->acts('decline');
        $answer = $this->device()->take($this->till(), (string) Str::uuid(), $this->money('40.00'));
        self::assertSame(TerminalOutcome::Declined, $answer->outcome);
        self::assertNotSame('', $answer->reason);
        self::assertSame(0, $this->report()->count);
    }

    public function test_a_part_that_is_approved_is_said_to_be_a_part(): void
    {
        $this->acts('partial');
        $answer = $this->device()->take($this->till(), (string) Str::uuid(), $this->money('40.00'));
        self::assertSame(TerminalOutcome::Approved, $answer->outcome);
        self::assertTrue($this->money('40.00')->exceeds($answer->approved ?? $this->money('40.00')));
        self::assertSame($answer->approved?->toString(), $this->report()->taken->toString());
    }

    public function test_silence_is_unknown_and_what_became_of_it_is_found_by_asking(): void
    {
        $becomes = ['silent_approve' => TerminalOutcome::Approved, 'silent_decline' => TerminalOutcome::Declined];

        foreach ($becomes as $how => $is) {
            $this->acts($how);
            $key = (string) Str::uuid();
            $answer = $this->device()->take($this->till(), $key, $this->money('12.50'));
            self::assertSame(TerminalOutcome::Unknown, $answer->outcome);
            $found = $this->device()->ask($this->till(), $key, $this->money('12.50'));
            self::assertSame($is, $found->outcome);
            self::assertEquals($found, $this->device()->ask($this->till(), $key, $this->money('12.50')));
        }

        self::assertSame('12.50', $this->report()->taken->toString());
    }

    public function test_a_reversal_undoes_what_was_done_or_may_have_been_and_twice_is_once(): void
    {
        $this->acts('approve');
        $key = (string) Str::uuid();
        $this->device()->take($this->till(), $key, $this->money('9.00'));

        foreach ([$key, $key, (string) Str::uuid()] as $one) {
            self::assertSame(TerminalOutcome::Reversed, $this->device()->reverse($this->till(), $one)->outcome);
        }

        self::assertSame(
            TerminalOutcome::Reversed,
            $this->device()->ask($this->till(), $key, $this->money('9.00'))->outcome,
        );
        self::assertSame('0.00', $this->report()->total()->toString());
    }

    public function test_money_goes_back_to_the_card_it_came_from_once(): void
    {
        $this->acts('approve');
        $paid = $this->device()->take($this->till(), (string) Str::uuid(), $this->money('30.00'));
        $key = (string) Str::uuid();
        $back = $this->device()->refund($this->till(), $key, $this->money('10.00'), $paid->authorisation);
        self::assertSame(TerminalOutcome::Approved, $back->outcome);
        self::assertEquals($back, $this->device()->refund(
            $this->till(), $key, $this->money('10.00'), $paid->authorisation,
        ));
        self::assertSame(
            ['30.00', '10.00', '20.00'],
            [
                $this->report()->taken->toString(), $this->report()->paidBack->toString(),
                $this->report()->total()->toString(),
            ],
        );
    }

    public function test_off_line_takes_nothing_and_says_so(): void
    {
        $this->acts('off_line');
        $key = (string) Str::uuid();
        self::assertSame(
            TerminalOutcome::OffLine,
            $this->device()->take($this->till(), $key, $this->money('7.00'))->outcome,
        );
        self::assertNull($this->device()->read($this->till(), $key));
        $this->acts('approve');
        self::assertSame(0, $this->report()->count);
    }

    public function test_a_card_is_read_before_it_is_asked_and_the_one_that_was_read_pays(): void
    {
        $this->acts('approve');
        $key = (string) Str::uuid();
        $read = $this->device()->read($this->till(), $key);
        self::assertNotNull($read);
        self::assertSame(0, $this->report()->count);
        $answer = $this->device()->take($this->till(), $key, $this->money('3.00'));
        self::assertSame([$read->cardType, $read->lastFour], [$answer->cardType, $answer->lastFour]);
    }

    public function test_a_card_that_is_kept_pays_by_its_token_until_it_is_forgotten(): void
    {
        $this->acts('approve');
        $key = (string) Str::uuid();
        $kept = $this->device()->keep($this->till(), $key);
        self::assertSame($kept->token, $this->device()->keep($this->till(), $key)->token);
        self::assertDoesNotMatchRegularExpression('/^[\d\s-]+$/D', $kept->token);
        $by = fn (): TerminalOutcome => $this->device()->take(
            $this->till(), (string) Str::uuid(), $this->money('4.00'), new OnFile($kept->token),
        )->outcome;
        self::assertSame(TerminalOutcome::Approved, $by());
        $this->device()->forget($kept->token);
        $this->device()->forget($kept->token);
        self::assertSame(TerminalOutcome::Declined, $by());
        $this->acts('off_line');
        $this->expectException(DeviceFailed::class);
        $this->device()->keep($this->till(), (string) Str::uuid());
    }

    public function test_its_report_begins_at_a_moment_and_asking_for_it_changes_nothing(): void
    {
        $this->acts('approve');
        $this->device()->take($this->till(), (string) Str::uuid(), $this->money('6.00'));
        self::assertEquals($this->report(), $this->report());
        self::assertSame(0, $this->device()->report($this->till(), CarbonImmutable::now()->addMinute())->count);
    }

    protected function till(): Till
    {
        return Till::query()->with('location')->findOrFail(1);
    }

    private function report(): BatchReport
    {
        return $this->device()->report($this->till(), CarbonImmutable::now()->subHour());
    }

    private function money(string $amount): Money
    {
        return Money::of($amount, Currency::of('USD'));
    }
}
