<?php

declare(strict_types=1);

namespace Elmstone\Paper;

/** What a delivery status notification (RFC 3464) says of one recipient whose mail failed. */
final readonly class Bounce
{
    private function __construct(public string $recipient, public string $why)
    {
    }

    /**
     * Those whose mail failed for good; one that is delayed is on its way.
     *
     * @param  string  $message the notification as it came
     * @return list<self>
     */
    public static function read(string $message): array
    {
        $plain = str_replace("\r\n", "\n", $message);
        $head = '~^content-type:\s*message/delivery-status[^\n]*\n(?:[^\n]+\n)*\n~im';
        $begins = preg_match($head, $plain, $found, PREG_OFFSET_CAPTURE);

        if ($begins !== 1) {
            return [];
        }

        $status = substr($plain, $found[0][1] + strlen($found[0][0]));
        $ends = preg_match('/^--/m', $status, $boundary, PREG_OFFSET_CAPTURE) === 1 ? $boundary[0][1] : strlen($status);
        $bounces = [];

        foreach (preg_split('/\n\s*\n/', trim(substr($status, 0, $ends))) ?: [] as $group) {
            $fields = self::fields($group);
            $recipient = self::after($fields['final-recipient'] ?? $fields['original-recipient'] ?? '');

            if (strtolower($fields['action'] ?? '') === 'failed' && $recipient !== '') {
                $why = self::after($fields['diagnostic-code'] ?? '');
                $bounces[] = new self($recipient, mb_substr(
                    trim('Did not arrive: '.($why !== '' ? $why : $fields['status'] ?? '')),
                    0,
                    255,
                ));
            }
        }

        return $bounces;
    }

    /** @return array<string, string> by name in lower case; a field that goes on in the next line is one */
    private static function fields(string $group): array
    {
        $fields = [];

        foreach (explode("\n", (string) preg_replace('/\n[ \t]+/', ' ', $group)) as $line) {
            [$name, $value] = [...explode(':', $line, 2), ''];
            $fields[strtolower(trim($name))] = trim($value);
        }

        return $fields;
    }

    /** What stands after the kind: "rfc822; louisl@larry.slip.umd.edu". */
    private static function after(string $value): string
    {
        return trim(str_contains($value, ';') ? explode(';', $value, 2)[1] : $value);
    }
}
