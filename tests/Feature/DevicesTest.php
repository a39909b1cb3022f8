<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Devices\CardTerminal;
use Elmstone\Devices\CashDrawer;
use Elmstone\Devices\CustomerDisplay;
use Elmstone\Devices\DisplayContent;
use Elmstone\Devices\Mail;
use Elmstone\Devices\Mailbox;
use Elmstone\Devices\ReceiptPrinter;
use Elmstone\Devices\Simulated\DeviceState;
use Elmstone\Devices\Simulated\SimulatedDisplay;
use Elmstone\Devices\Simulated\TerminalMood;
use Elmstone\Devices\TerminalAnswer;
use Elmstone\Devices\TerminalOutcome;
use Elmstone\Shop\Till;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;

/** Each simulated device keeps to what its interface promises. */
final class DevicesTest extends FeatureCase
{
    private const KEY = '11111111-0000-4000-8000-000000000001';

    private static function till(int $number = 1): Till
    {
        return Till::query()->findOrFail($number);
    }

    /** How often a till's drawer has opened; null: never. */
    private static function opened(int $till): mixed
    {
        return DeviceState::read(self::till($till), 'drawer')['opened'] ?? null;
    }

    private static function usd(string $amount): Money
    {
        return Money::of($amount, Currency::of('USD'));
    }

    private function take(string $key = self::KEY, string $amount = '10.01'): TerminalAnswer
    {
        return app(CardTerminal::class)->take(self::till(), $key, self::usd($amount));
    }

    #[DataProvider('moods')]
    public function test_the_terminal_does_what_it_is_told_to_once(
        TerminalMood $mood,
        TerminalOutcome $outcome,
        ?string $approved,
        TerminalOutcome $truth,
    ): void {
        DeviceState::write(self::till(), 'terminal', ['mood' => $mood->value]);
        $answer = $this->take();
        $this->assertSame([$outcome, $approved], [$answer->outcome, $answer->approved?->toString()]);
        $this->assertSame($truth, app(CardTerminal::class)->ask(self::till(), self::KEY, self::usd('10.01'))->outcome);

        if ($mood !== TerminalMood::OffLine) {
            $this->assertSame(TerminalOutcome::Approved, $this->take('22222222-0000-4000-8000-000000000002')->outcome);
        }
    }

    /** @return iterable<string, array{TerminalMood, TerminalOutcome, string|null, TerminalOutcome}> */
    public static function moods(): iterable
    {
        yield 'approve' => [TerminalMood::Approve, TerminalOutcome::Approved, '10.01', TerminalOutcome::Approved];
        yield 'decline' => [TerminalMood::Decline, TerminalOutcome::Declined, null, TerminalOutcome::Declined];
        yield 'half' => [TerminalMood::Partial, TerminalOutcome::Approved, '5.01', TerminalOutcome::Approved];
        yield 'silent, charged' => [
            TerminalMood::SilentApprove,
            TerminalOutcome::Unknown,
            null,
            TerminalOutcome::Approved,
        ];
        yield 'silent, not charged' => [
            TerminalMood::SilentDecline,
            TerminalOutcome::Unknown,
            null,
            TerminalOutcome::Declined,
        ];
        yield 'off line' => [TerminalMood::OffLine, TerminalOutcome::OffLine, null, TerminalOutcome::Unknown];
    }

    public function test_the_same_request_again_is_never_a_second_charge(): void
    {
        $first = $this->take();
        DeviceState::write(self::till(), 'terminal', ['mood' => TerminalMood::Decline->value]);
        $this->assertEquals($first, $this->take());
        $this->assertSame(1, $this->rows('terminal_requests'));
        $this->assertMatchesRegularExpression('/^\d{4}$/', $first->lastFour);
    }

    public function test_a_request_that_never_arrived_was_not_charged(): void
    {
        $this->assertSame(
            TerminalOutcome::Declined,
            app(CardTerminal::class)->ask(self::till(), self::KEY, self::usd('10.00'))->outcome,
        );
    }

    public function test_each_till_has_its_own_devices(): void
    {
        app(CashDrawer::class)->open(self::till(1));
        app(CashDrawer::class)->open(self::till(1));
        $this->assertSame([2, null], [self::opened(1), self::opened(2)]);
        app(ReceiptPrinter::class)->print(self::till(2), 'INV-1', '<p>two</p>');
        $paper = DB::table('printed_papers')->value('id');
        $this->get("/devices/papers/{$paper}")->assertNotFound();
        $this->as('101', 2)
            ->get("/devices/papers/{$paper}")
            ->assertOk()
            ->assertSee('two');
    }

    public function test_the_drawer_opens_for_cash_and_stays_shut_for_a_card(): void
    {
        $this->add('LH-1140');
        $this->does('card', ['card' => ''])->assertOk();
        $this->does('post')->assertOk();
        $this->assertNull(self::opened(1));
        $this->sell('LH-1140');
        $this->assertSame(1, self::opened(1));
        $this->get('/devices')->assertSee('Opened 1 times');
    }

    public function test_the_display_shows_what_it_was_shown_and_else_a_welcome(): void
    {
        $this->get('/devices/display/2')->assertOk()->assertSee('Welcome');
        app(CustomerDisplay::class)->show(
            self::till(2),
            new DisplayContent(
                [['quantity' => '2', 'description' => 'Brick', 'each' => '1.50', 'net' => '3.00']],
                '0.30',
                '3.30',
                '3.30',
                '',
            ),
        );
        $this->get('/devices/display/2')->assertSeeInOrder(['Brick', '1.50', '3.00', '3.30']);
        $this->assertSame('3.30', SimulatedDisplay::showing(self::till(2))->total);
    }

    public function test_the_display_thanks_and_then_shows_nobody_elses_things(): void
    {
        $sees = fn (): string => (string) $this->get('/devices/display/1')->assertOk()->getContent();
        $this->add('LH-1140');
        $this->assertStringContainsString('Limestone hook', $sees());
        $this->get('/counter/'.Str::uuid())->assertOk();
        $this->assertStringContainsString('Welcome to Quarry Lane Stores', $sees(), 'Another slip, another customer.');
        $this->does('cash', ['cash' => '5'])->assertOk();
        $this->assertStringContainsString('paid 5.00', $sees());
        $this->does('post')->assertOk();
        $this->get('/counter/'.Str::uuid())->assertOk();

        foreach (['Thank you', 'change 0.76', 'Limestone hook'] as $words) {
            $this->assertStringContainsString($words, $sees(), 'The next slip does not wipe it away.');
        }

        $this->travel(30)->seconds();
        $this->assertStringNotContainsString('Limestone hook', $sees());
        $this->slip = (string) Str::uuid();
        $this->add('LH-1141');
        $this->travel(4)->minutes();
        $this->assertStringContainsString('Welcome', $sees(), 'Somebody was called away.');
    }

    public function test_the_mailbox_keeps_what_was_sent_with_its_attachment(): void
    {
        app(Mailbox::class)->deliver(
            new Mail('a@example.test', 'Subject', "Line one\nLine <two>", 'x.pdf', "%PDF\0bytes"),
        );
        $this->as('301')
            ->get('/devices')
            ->assertSee('a@example.test')
            ->assertSee('Line &lt;two&gt;', false)
            ->assertSee('x.pdf');
        $this->assertSame("%PDF\0bytes", DB::table('sent_mails')->value('attachment'));
        $this->get('/devices/mails/999/attachment')->assertNotFound();
    }

    public function test_a_mood_nobody_knows_is_refused(): void
    {
        $this->from('/devices')
            ->post('/devices/terminal', ['mood' => 'grumpy'])
            ->assertSessionHasErrors('mood');
    }
}
