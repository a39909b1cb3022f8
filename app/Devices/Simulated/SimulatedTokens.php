<?php

declare(strict_types=1);

namespace Elmstone\Devices\Simulated;

use Carbon\CarbonImmutable;
use Elmstone\Devices\KeptCard;
use Elmstone\Devices\OnFile;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The cards that the simulated terminal keeps, with what their bank knows of their holders. */
final readonly class SimulatedTokens
{
    /** Months from being kept in which a card is good: by its last four digits. */
    private const GOOD_FOR = ['4821' => 26, '0937' => 14, '5516' => 40, '2204' => 1];

    /** Where every one of them lives. */
    public const POSTCODE = '04417';

    public const NUMBER = '12';

    private ?stdClass $kept;

    public function __construct(private ?OnFile $asked = null)
    {
        $this->kept = $asked === null ? null : DB::table('terminal_tokens')
            ->where('token', $asked->token)
            ->where('forgotten', false)
            ->first();
    }

    public function keep(string $key, string $cardType, string $lastFour): KeptCard
    {
        $token = 'tok_'.str_replace('-', '', $key);
        DB::table('terminal_tokens')->insertOrIgnore([
            'token' => $token,
            'card_type' => $cardType,
            'last_four' => $lastFour,
            'expires' => CarbonImmutable::now()->addMonthsNoOverflow(self::GOOD_FOR[$lastFour] ?? 12)->endOfMonth(),
            'postcode' => self::POSTCODE,
            'number' => self::NUMBER,
        ]);
        $kept = DB::table('terminal_tokens')->where('token', $token)->sole();

        return new KeptCard(
            $token,
            (string) $kept->card_type,
            (string) $kept->last_four,
            CarbonImmutable::parse((string) $kept->expires),
        );
    }

    public function forget(string $token): void
    {
        DB::table('terminal_tokens')->where('token', $token)->update(['forgotten' => true]);
    }

    /** Why its bank says no; empty: it does not. */
    public function whyNot(): string
    {
        return match (true) {
            $this->kept === null => 'The terminal keeps no such card.',
            CarbonImmutable::parse((string) $this->kept->expires)->endOfDay()->isPast() => 'The card has run out.',
            default => '',
        };
    }

    /** @return array{string, string} kind and last four digits */
    public function card(): array
    {
        return [(string) ($this->kept->card_type ?? ''), (string) ($this->kept->last_four ?? '')];
    }

    public function postcodeMatches(): ?bool
    {
        return self::compared($this->asked->postcode ?? '', (string) ($this->kept->postcode ?? ''));
    }

    public function numberMatches(): ?bool
    {
        return self::compared($this->asked->number ?? '', (string) ($this->kept->number ?? ''));
    }

    private static function compared(string $said, string $known): ?bool
    {
        $plain = static fn (string $text): string => strtoupper((string) preg_replace('/[^0-9A-Za-z]/', '', $text));

        return $plain($said) === '' || $known === '' ? null : $plain($said) === $plain($known);
    }
}
