<?php

declare(strict_types=1);

namespace Elmstone\Devices\Simulated;

use Elmstone\Core\Money\Money;
use Elmstone\Devices\CardTerminal;
use Elmstone\Devices\TerminalAnswer;
use Elmstone\Devices\TerminalOutcome;
use Elmstone\Shop\Till;
use Illuminate\Support\Facades\DB;
use stdClass;

/** A card terminal that does what its page is told to do next. It keeps its own book of requests, as a real one does. */
final class SimulatedTerminal implements CardTerminal
{
    public const REVERSED = 'given_back';

    private const CARDS = [['credit', '4821'], ['debit', '0937'], ['credit', '5516'], ['debit', '2204']];

    public function take(Till $till, string $key, Money $amount): TerminalAnswer
    {
        $known = $this->request($key);

        if ($known !== null) {
            return $this->outcome($known, $amount);
        }

        $mood = self::mood($till);
        DeviceState::write($till, 'terminal', ['mood' => $mood->then()->value]);

        if ($mood === TerminalMood::OffLine) {
            return TerminalAnswer::offLine();
        }

        $this->book($till, $key, $amount, $mood);
        $request = $this->request($key);

        return match (true) {
            $request === null, $mood->isSilent() => TerminalAnswer::unknown(),
            default => $this->outcome($request, $amount),
        };
    }

    public function ask(Till $till, string $key, Money $amount): TerminalAnswer
    {
        if (self::mood($till) === TerminalMood::OffLine) {
            return TerminalAnswer::unknown();
        }

        $request = $this->request($key);

        return $request === null ? TerminalAnswer::declined('The terminal never got the request.') : $this->outcome($request, $amount);
    }

    public function reverse(Till $till, string $key): TerminalAnswer
    {
        $mood = self::mood($till);

        if ($mood === TerminalMood::OffLine) {
            return TerminalAnswer::offLine();
        }

        DeviceState::write($till, 'terminal', ['mood' => $mood->then()->value]);

        // Silent: it is done or not, and nobody hears of it.
        $mood === TerminalMood::SilentDecline || $this->markReversed($till, $key);

        return $mood->isSilent() ? TerminalAnswer::unknown() : TerminalAnswer::reversed();
    }

    public function refund(Till $till, string $key, Money $amount, string $authorisation): TerminalAnswer
    {
        $paid = DB::table('terminal_requests')->where('authorisation', $authorisation)->where('act', 'take')->latest('id')->first();
        $answer = $this->take($till, $key, $amount);
        // It goes back to the card it came from, whichever card lies in the terminal now, and is never approved in part.
        DB::table('terminal_requests')->where('key', $key)->where('act', '<>', self::REVERSED)->update(['act' => 'refund', 'approved' => DB::raw("IF(outcome = 'approved', amount, 0)"), 'authorisation' => DB::raw("IF(outcome = 'approved', authorisation, '')"), ...$paid === null ? [] : ['card_type' => $paid->card_type, 'last_four' => $paid->last_four]]);
        $request = $this->request($key);

        return $answer->outcome === TerminalOutcome::Approved && $request !== null ? $this->outcome($request, $amount) : $answer;
    }

    /** Also what never arrived is noted, so that it can arrive no more. */
    private function markReversed(Till $till, string $key): void
    {
        DB::table('terminal_requests')->insertOrIgnore(['key' => $key, 'till_id' => $till->id, 'act' => self::REVERSED, 'amount' => 0, 'outcome' => TerminalOutcome::Reversed->value]);
        DB::table('terminal_requests')->where('key', $key)->update(['act' => self::REVERSED, 'outcome' => TerminalOutcome::Reversed->value, 'approved' => 0]);
    }

    public static function mood(Till $till): TerminalMood
    {
        $mood = DeviceState::read($till, 'terminal')['mood'] ?? null;

        return is_string($mood) ? TerminalMood::from($mood) : TerminalMood::Approve;
    }

    private function book(Till $till, string $key, Money $amount, TerminalMood $mood): void
    {
        $declined = in_array($mood, [TerminalMood::Decline, TerminalMood::SilentDecline], true);
        [$type, $lastFour] = self::CARDS[crc32($key) % count(self::CARDS)];
        DB::table('terminal_requests')->insertOrIgnore([
            'key' => $key,
            'till_id' => $till->id,
            'amount' => $amount->minor,
            'approved' => match (true) {
                $declined => 0,
                $mood === TerminalMood::Partial => intdiv($amount->minor + 1, 2),
                default => $amount->minor,
            },
            'outcome' => $declined ? TerminalOutcome::Declined->value : TerminalOutcome::Approved->value,
            'reason' => $declined ? 'Not enough money on the card.' : '',
            'card_type' => $type,
            'last_four' => $lastFour,
        ]);
        // Every approval has a number of its own, as scattered as real ones are: 3^18 and a million have no factor in common.
        $declined || DB::update("UPDATE terminal_requests SET authorisation = LPAD((id * 387420489 + 271828) % 1000000, 6, '0') WHERE `key` = ? AND authorisation = ''", [$key]);
    }

    private function request(string $key): ?stdClass
    {
        return DB::table('terminal_requests')->where('key', $key)->first();
    }

    private function outcome(stdClass $request, Money $amount): TerminalAnswer
    {
        return match ($request->outcome) {
            TerminalOutcome::Approved->value => TerminalAnswer::approved(Money::ofMinor((int) $request->approved, $amount->currency), $request->card_type, $request->last_four, $request->authorisation),
            TerminalOutcome::Reversed->value => TerminalAnswer::reversed(),
            default => TerminalAnswer::declined($request->reason),
        };
    }
}
