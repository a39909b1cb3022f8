<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank\Read;

use Elmstone\Core\Money\Refused;
use Elmstone\Interchange\Bank\BankEntryKind;

/** What a bank's file says: every entry of it. */
final readonly class BankFileRead
{
    /** @param  list<BankEntryRead>  $entries */
    private function __construct(
        public string $format,
        public string $account,
        public string $statement,
        public array $entries,
    ) {
    }

    /**
     * @param  list<BankEntryRead>  $entries
     *
     * @throws Refused unreadable where not one entry could be read
     */
    public static function of(string $format, string $account, string $statement, array $entries): self
    {
        $unread = array_filter(
            $entries,
            static fn (BankEntryRead $entry): bool => $entry->kind === BankEntryKind::Unread,
        );

        if ($unread !== [] && count($unread) === count($entries)) {
            throw Refused::because('unreadable', 'No entry of this file can be read. '.reset($unread)->trouble);
        }

        return new self($format, mb_substr($account, 0, 40), mb_substr($statement, 0, 60), $entries);
    }

    /** @return list<BankEntryRead> money that came in */
    public function cameIn(): array
    {
        return array_values(
            array_filter($this->entries, static fn (BankEntryRead $entry): bool => $entry->kind === BankEntryKind::In),
        );
    }
}
