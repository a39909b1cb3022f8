<?php

declare(strict_types=1);

namespace Elmstone\Plans;

use Carbon\CarbonImmutable;
use Elmstone\Shop\House;
use Elmstone\Support\Show;
use stdClass;

/** One plan of the worklist; amounts in minor units. */
final readonly class PlanRow
{
    private function __construct(
        public string $label,
        public int $number,
        public string $name,
        private string $phone,
        private string $mail,
        public int $total,
        public int $open,
        public int $late,
        public int $parts,
        public int $met,
        public ?CarbonImmutable $nextDue,
    ) {
    }

    public static function of(stdClass $row): self
    {
        return new self(
            (string) $row->label,
            (int) $row->number,
            (string) $row->name,
            (string) $row->phone,
            (string) $row->mail,
            (int) $row->total,
            (int) $row->open_now,
            (int) $row->late,
            (int) $row->parts,
            (int) $row->met,
            $row->next_due === null ? null : CarbonImmutable::parse((string) $row->next_due),
        );
    }

    /** Their phone, or else their mail. */
    public function reach(): string
    {
        return $this->phone !== '' ? $this->phone : $this->mail;
    }

    /** What to do next about it, in a few words. */
    public function nextStep(House $house): string
    {
        $reach = $this->phone !== '' ? "Call {$this->phone}" : ($this->mail !== '' ? "Write to {$this->mail}"
            : 'Write');

        return match (true) {
            $this->nextDue === null => 'Nothing; it is paid',
            $this->late > 0 => "{$reach} about ".Show::money($house->money($this->late)),
            default => 'Wait for the next part',
        };
    }
}
