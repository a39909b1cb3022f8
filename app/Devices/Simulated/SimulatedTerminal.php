<?php

declare(strict_types=1);

namespace Elmstone\Devices\Simulated;

use Brick\Math\BigInteger;
use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Devices\BatchReport;
use Elmstone\Devices\CardRead;
use Elmstone\Devices\CardTerminal;
use Elmstone\Devices\DeviceChoices;
use Elmstone\Devices\DeviceFailed;
use Elmstone\Devices\KeptCard;
use Elmstone\Devices\OnFile;
use Elmstone\Devices\TerminalAnswer;
use Elmstone\Devices\TerminalOutcome;
use Elmstone\Shop\DeviceKind;
use Elmstone\Shop\Till;
use Elmstone\Support\Casts\MoneyCast;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * A card terminal that does what its page is told to do next. It keeps its own book of requests, as a real one does.
 */
final class SimulatedTerminal implements CardTerminal
{
    public const REVERSED = 'given_back';

    private const CARDS = [['credit', '4821'], ['debit', '0937'], ['credit', '5516'], ['debit', '2204']];

    public function __construct(private readonly DeviceChoices $choices)
    {
    }

    /** The terminal that is used at a till now, by the till it stands at. */
    private function chosen(Till $till): Till
    {
        return $this->choices->at($till, DeviceKind::Terminal);
    }

    /** The one that was asked under a key, whichever is used now. */
    private function asked(Till $till, ?stdClass $request): Till
    {
        return $request === null
            ? $this->chosen($till)
            : Till::query()->findOrFail((int) ($request->terminal_id ?? $request->till_id));
    }

    public function take(Till $till, string $key, Money $amount, ?OnFile $card = null): TerminalAnswer
    {
        return $this->answered($till, $key, $amount, '', $card);
    }

    public function keep(Till $till, string $key): KeptCard
    {
        $terminal = $this->chosen($till);
        self::mood($terminal) === TerminalMood::OffLine && throw new DeviceFailed('The terminal is off line.');

        return (new SimulatedTokens)->keep($key, ...self::card($terminal, $key));
    }

    public function forget(string $token): void
    {
        (new SimulatedTokens)->forget($token);
    }

    public function read(Till $till, string $key): ?CardRead
    {
        $terminal = $this->chosen($till);

        return self::mood($terminal) === TerminalMood::OffLine ? null : new CardRead(...self::card($terminal, $key));
    }

    public function refund(Till $till, string $key, Money $amount, string $authorisation): TerminalAnswer
    {
        return $this->answered($till, $key, $amount, $authorisation);
    }

    /** @param  string  $against the authorisation of the payment that is paid back; empty: a payment is taken */
    private function answered(
        Till $till,
        string $key,
        Money $amount,
        string $against,
        ?OnFile $card = null,
    ): TerminalAnswer {
        $known = $this->request($key);

        if ($known !== null) {
            return $this->outcome($known, $amount);
        }

        $terminal = $this->chosen($till);
        $mood = self::mood($terminal);
        DeviceState::write($terminal, 'terminal', ['mood' => $mood->then()->value]);

        if ($mood === TerminalMood::OffLine) {
            return TerminalAnswer::offLine();
        }

        $this->book($till, $key, $amount, $mood, $against, $card);
        $request = $this->request($key);

        return match (true) {
            $request === null, $mood->isSilent() => TerminalAnswer::unknown(),
            default => $this->outcome($request, $amount),
        };
    }

    public function ask(Till $till, string $key, Money $amount): TerminalAnswer
    {
        $request = $this->request($key);

        if (self::mood($this->asked($till, $request)) === TerminalMood::OffLine) {
            return TerminalAnswer::unknown();
        }

        return $request === null
            ? TerminalAnswer::declined('The terminal never got the request.')
            : $this->outcome($request, $amount);
    }

    public function reverse(Till $till, string $key): TerminalAnswer
    {
        $terminal = $this->asked($till, $this->request($key));
        $mood = self::mood($terminal);

        if ($mood === TerminalMood::OffLine) {
            return TerminalAnswer::offLine();
        }

        DeviceState::write($terminal, 'terminal', ['mood' => $mood->then()->value]);

        // Silent: it is done or not, and nobody hears of it.
        $mood === TerminalMood::SilentDecline || $this->markReversed($till, $key);

        return $mood->isSilent() ? TerminalAnswer::unknown() : TerminalAnswer::reversed();
    }

    public function report(Till $till, CarbonImmutable $since): BatchReport
    {
        $terminal = $this->chosen($till);
        $mood = self::mood($terminal);

        if ($mood === TerminalMood::OffLine || $mood->isSilent()) {
            DeviceState::write($terminal, 'terminal', ['mood' => $mood->then()->value]);

            throw new DeviceFailed('The terminal does not answer.');
        }

        $of = DB::table('terminal_requests')
            ->where('till_id', $till->id)
            ->where('asked_at', '>=', $since->format('Y-m-d H:i:s.v'))
            ->where('outcome', TerminalOutcome::Approved->value)
            ->selectRaw("COUNT(*) AS n, SUM(IF(act = 'take', approved, 0)) AS taken")
            ->selectRaw("SUM(IF(act = 'refund', approved, 0)) AS paid_back")
            ->first();

        return new BatchReport(
            (int) ($of->n ?? 0),
            MoneyCast::read((int) ($of->taken ?? 0))->plus(self::offBy($till)),
            MoneyCast::read((int) ($of->paid_back ?? 0)),
        );
    }

    /** What its reports are told to be wrong by. */
    public static function offBy(Till $till): Money
    {
        $off = DeviceState::read($till, 'batch')['off'] ?? null;
        $none = MoneyCast::read(0);

        return is_string($off) ? Money::of($off, $none->currency) : $none;
    }

    public static function beOffBy(Till $till, Money $off): void
    {
        DeviceState::write($till, 'batch', ['off' => $off->toString()]);
    }

    /** Also what never arrived is noted, so that it can arrive no more. */
    private function markReversed(Till $till, string $key): void
    {
        DB::table('terminal_requests')->insertOrIgnore([
            'key' => $key,
            'till_id' => $till->id,
            'act' => self::REVERSED,
            'amount' => 0,
            'outcome' => TerminalOutcome::Reversed->value,
        ]);
        DB::table('terminal_requests')
            ->where('key', $key)
            ->update(['act' => self::REVERSED, 'outcome' => TerminalOutcome::Reversed->value, 'approved' => 0]);
    }

    public static function mood(Till $till): TerminalMood
    {
        $mood = DeviceState::read($till, 'terminal')['mood'] ?? null;

        return is_string($mood) ? TerminalMood::from($mood) : TerminalMood::Approve;
    }

    /**
     * One row at once, as a terminal's journal has it: what goes back goes to the card it came from, whichever lies in
     * the terminal now, and never in part.
     */
    private function book(
        Till $till,
        string $key,
        Money $amount,
        TerminalMood $mood,
        string $against,
        ?OnFile $card,
    ): void {
        $terminal = $this->chosen($till);
        $kept = $card === null ? null : new SimulatedTokens($card);
        $why = in_array($mood, [TerminalMood::Decline, TerminalMood::SilentDecline], true)
            ? 'Not enough money on the card.' : $kept?->whyNot() ?? '';
        $declined = $why !== '';
        $paid = $against === ''
                ? null
                : DB::table('terminal_requests')
                    ->where('authorisation', $against)
                    ->where('act', 'take')
                    ->latest('id')
                    ->first();
        [$type, $lastFour] = match (true) {
            $kept !== null => $kept->card(),
            $paid === null => self::card($terminal, $key),
            default => [$paid->card_type, $paid->last_four],
        };
        DB::table('terminal_requests')->insertOrIgnore([
            'key' => $key,
            'till_id' => $till->id,
            'terminal_id' => $terminal->id === $till->id ? null : $terminal->id,
            'asked_at' => now()->format('Y-m-d H:i:s.v'),
            'act' => $against === '' ? 'take' : 'refund',
            'against' => $against,
            'amount' => $amount,
            'approved' => match (true) {
                $declined => 0,
                $mood === TerminalMood::Partial && $against === '' => $amount->apportion([
                    BigInteger::one(),
                    BigInteger::one(),
                ])[0],
                default => $amount,
            },
            'outcome' => $declined ? TerminalOutcome::Declined->value : TerminalOutcome::Approved->value,
            'reason' => $why,
            'card_type' => $type,
            'last_four' => $lastFour,
            'postcode_matches' => $kept?->postcodeMatches(),
            'number_matches' => $kept?->numberMatches(),
        ]);
        // Every approval has a number of its own, as scattered as real ones are: 3^18 and a million have no factor in
        // common.
        $declined
            || DB::update(
                "UPDATE terminal_requests SET authorisation = LPAD((id * 387420489 + 271828) % 1000000, 6, '0') WHERE "
                    ."`key` = ? AND authorisation = ''",
                [$key],
            );
    }

    /**
     * Which card is put in: the one its page says, or any.
     *
     * @return array{string, string} kind and last four digits
     */
    private static function card(Till $till, string $key): array
    {
        $put = self::putIn($till);

        return self::CARDS[$put ?? crc32($key) % count(self::CARDS)];
    }

    /** Which of its cards is put in next; null: any of them. */
    public static function putIn(Till $till): ?int
    {
        $put = DeviceState::read($till, 'card')['put'] ?? null;

        return is_int($put) && isset(self::CARDS[$put]) ? $put : null;
    }

    public static function put(Till $till, ?int $card): void
    {
        DeviceState::write($till, 'card', ['put' => $card]);
    }

    /** @return array<int, string> its cards, in words */
    public static function cards(): array
    {
        return array_map(static fn (array $card): string => "{$card[0]}, ending {$card[1]}", self::CARDS);
    }

    private function request(string $key): ?stdClass
    {
        return DB::table('terminal_requests')->where('key', $key)->first();
    }

    private function outcome(stdClass $request, Money $amount): TerminalAnswer
    {
        return match ($request->outcome) {
            TerminalOutcome::Approved->value => TerminalAnswer::approved(
                Money::ofMinor((int) $request->approved, $amount->currency),
                $request->card_type,
                $request->last_four,
                $request->authorisation,
            )->matching(
                $request->postcode_matches === null ? null : (bool) $request->postcode_matches,
                $request->number_matches === null ? null : (bool) $request->number_matches,
            ),
            TerminalOutcome::Reversed->value => TerminalAnswer::reversed(),
            default => TerminalAnswer::declined($request->reason),
        };
    }
}
