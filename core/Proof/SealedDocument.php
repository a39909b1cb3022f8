<?php

declare(strict_types=1);

namespace Elmstone\Core\Proof;

/** What is looked at of a document as it was sealed. Only these parts are read: most of it is only hashed. */
final readonly class SealedDocument
{
    /** Parts that can stand behind the journal, in the order of their names. */
    private const AFTER_JOURNAL = [
        ',"line_taxes":[', ',"lines":[', ',"returned":[', ',"shares":[', ',"taxes":[', ',"tenders":[',
    ];

    /** No head is longer. */
    private const LONGEST_HEAD = 20_000;

    /** @param  array<Fields>  $journal */
    private function __construct(
        public string $kind,
        public int $number,
        public string $label,
        public string $day,
        public string $before,
        public array $journal,
    ) {
    }

    /**
     * @param  string  $says its canonical JSON. A quotation mark in a text has a backslash before it, so that the name
     *     of a part can stand in no text
     * @return self|null null: it cannot be read
     */
    public static function read(string $says): ?self
    {
        $at = strpos($says, '"head":{');
        $head = $at === false ? '' : substr($says, $at, self::LONGEST_HEAD);
        $label = self::text($head, '"label":"');

        return $label === '' ? null : new self(
            self::text($head, '"kind":"'),
            (int) self::upTo($head, '"number":', ','),
            $label,
            self::text($head, '"business_date":"'),
            self::text($says, '"before":"'),
            self::journal($says)?->all() ?? [],
        );
    }

    /** A text of the head that has no quotation marks in it. */
    private static function text(string $in, string $name): string
    {
        return self::upTo($in, $name, '"');
    }

    private static function upTo(string $in, string $name, string $end): string
    {
        $at = strpos($in, $name);
        $from = $at === false ? 0 : $at + strlen($name);
        $until = $at === false ? false : strpos($in, $end, $from);

        return $until === false ? '' : substr($in, $from, $until - $from);
    }

    private static function journal(string $says): ?Fields
    {
        $at = strpos($says, '"journal":[');

        if ($at === false) {
            return null;
        }

        $at += strlen('"journal":');

        foreach (self::AFTER_JOURNAL as $next) {
            $end = strpos($says, $next, $at);

            if ($end !== false) {
                return Fields::read(substr($says, $at, $end - $at));
            }
        }

        return Fields::read(substr($says, $at, -1));
    }
}
