<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Elmstone\Core\Money\Money;

/** What a card terminal says. Never more of a card than its type and last four digits. */
final readonly class TerminalAnswer
{
    private function __construct(
        public TerminalOutcome $outcome,
        public ?Money $approved = null,
        public string $reason = '',
        public string $cardType = '',
        public string $lastFour = '',
        public string $authorisation = '',
        public ?bool $postcodeMatches = null,
        public ?bool $numberMatches = null,
    ) {
    }

    public static function approved(Money $amount, string $cardType, string $lastFour, string $authorisation): self
    {
        return new self(TerminalOutcome::Approved, $amount, '', $cardType, $lastFour, $authorisation);
    }

    /** @param  bool|null  $number of the house in its street; null: not compared */
    public function matching(?bool $postcode, ?bool $number): self
    {
        return new self(
            $this->outcome,
            $this->approved,
            $this->reason,
            $this->cardType,
            $this->lastFour,
            $this->authorisation,
            $postcode,
            $number,
        );
    }

    public static function declined(string $reason): self
    {
        return new self(TerminalOutcome::Declined, reason: $reason);
    }

    public static function reversed(): self
    {
        return new self(TerminalOutcome::Reversed);
    }

    public static function unknown(): self
    {
        return new self(TerminalOutcome::Unknown);
    }

    public static function offLine(): self
    {
        return new self(TerminalOutcome::OffLine);
    }
}
