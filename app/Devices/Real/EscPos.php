<?php

declare(strict_types=1);

namespace Elmstone\Devices\Real;

use DOMDocument;
use DOMElement;
use DOMNode;
use DOMXPath;

/**
 * A receipt as the bytes a receipt printer takes. The commands are those most printers know, by the name ESC/POS;
 * common practice, from memory: initialise, code table, justification, bold, double size, CODE128, QR, cut, pulse.
 */
final class EscPos
{
    private const INITIALISE = "\x1b@";

    /** PC858: western European letters and the euro. */
    private const TABLE = "\x1bt\x13";

    private const CUT = "\x1dV\x42\x00";

    /** Opens the drawer on the first pin for 50 ms. */
    public const PULSE = "\x1bp\x00\x19\xfa";

    private string $out = self::INITIALISE.self::TABLE;

    /** @param  int  $columns letters in a line: 48 on 80 mm, 32 on 58 mm */
    private function __construct(private readonly int $columns)
    {
    }

    /** @param  string  $html the paper as ReceiptPrinter is given it */
    public static function of(string $html, int $columns): string
    {
        $document = new DOMDocument;
        $usual = libxml_use_internal_errors(true);
        $document->loadHTML('<?xml encoding="UTF-8">'.$html, LIBXML_NONET);
        libxml_clear_errors();
        libxml_use_internal_errors($usual);
        $printed = new self($columns);

        foreach ((new DOMXPath($document))->query('//main/node()') ?: [] as $node) {
            $node instanceof DOMNode && $printed->node($node);
        }

        return $printed->out."\n\n\n".self::CUT;
    }

    private function node(DOMNode $node): void
    {
        if (! $node instanceof DOMElement) {
            $node->nodeType === XML_TEXT_NODE && $this->line(self::text($node));

            return;
        }

        $class = " {$node->getAttribute('class')} ";

        match (true) {
            str_contains($class, ' rule ') => $this->out .= str_repeat('-', $this->columns)."\n",
            $node->hasAttribute('data-code') => $this->code($node->getAttribute('data-code')),
            $node->hasAttribute('data-qr') => $this->qr($node->getAttribute('data-qr')),
            $node->nodeName === 'table' => $this->table($node),
            $node->nodeName === 'h1' => $this->bold(self::text($node)),
            str_contains($class, ' centre ') => $this->centred($node),
            in_array($node->nodeName, ['p', 'b', 'span'], true) => str_contains($class, ' copy ')
                ? $this->bold(self::text($node)) : $this->line(self::text($node)),
            in_array($node->nodeName, ['img', 'svg', 'style', 'script'], true) => null,
            default => $this->children($node),
        };
    }

    private function children(DOMElement $node): void
    {
        foreach ($node->childNodes as $child) {
            $this->node($child);
        }
    }

    private function centred(DOMElement $node): void
    {
        $this->out .= "\x1ba\x01";
        $this->children($node);
        $this->out .= "\x1ba\x00";
    }

    private function bold(string $text): void
    {
        $this->out .= "\x1bE\x01";
        $this->line($text);
        $this->out .= "\x1bE\x00";
    }

    /** A row’s last cell stands at the right edge, beside the others where they fit. */
    private function table(DOMElement $table): void
    {
        foreach ($table->getElementsByTagName('tr') as $row) {
            $cells = [];

            foreach ($row->childNodes as $cell) {
                $cell instanceof DOMElement && ($cells[] = self::text($cell));
            }

            $right = count($cells) > 1 ? (string) array_pop($cells) : '';
            $this->row(trim(implode(' ', $cells)), $right);
        }
    }

    private function row(string $left, string $right): void
    {
        $room = $this->columns - mb_strlen($right) - ($right === '' ? 0 : 1);
        $lines = $left === '' ? [''] : explode("\n", self::wrap($left, max(8, $room)));
        $last = (string) array_pop($lines);
        $gap = max(0, $this->columns - mb_strlen($last) - mb_strlen($right));

        foreach ($lines as $line) {
            $this->out .= self::bytes($line)."\n";
        }

        $this->out .= self::bytes($right === '' ? $last : $last.str_repeat(' ', $gap).$right)."\n";
    }

    private function line(string $text): void
    {
        $text === '' || $this->out .= self::bytes(self::wrap($text, $this->columns))."\n";
    }

    /** CODE128, code set B, 60 dots high. */
    private function code(string $code): void
    {
        $data = '{B'.$code;
        $this->out .= "\x1dh\x3c\x1dw\x02\x1dk\x49".chr(strlen($data)).$data."\n";
    }

    private function qr(string $text): void
    {
        $length = strlen($text) + 3;
        $this->out .= "\x1d(k\x04\x00\x31\x41\x32\x00\x1d(k\x03\x00\x31\x43\x05\x1d(k\x03\x00\x31\x45\x31"
            ."\x1d(k".chr($length & 0xFF).chr($length >> 8)."\x31\x50\x30{$text}\x1d(k\x03\x00\x31\x51\x30\n";
    }

    private static function text(DOMNode $node): string
    {
        return trim((string) preg_replace('/[\s\x{00a0}]+/u', ' ', $node->textContent));
    }

    private static function wrap(string $text, int $width): string
    {
        $lines = [''];

        foreach (explode(' ', $text) as $word) {
            $last = count($lines) - 1;
            $fits = mb_strlen($lines[$last]) + 1 + mb_strlen($word) <= $width;
            $lines[$last] === '' ? $lines[$last] = $word : ($fits ? $lines[$last] .= " {$word}" : $lines[] = $word);
        }

        return implode("\n", $lines);
    }

    private static function bytes(string $text): string
    {
        $plain = strtr($text, ['−' => '-', '–' => '-', '—' => '-', '’' => "'", '‘' => "'", '“' => '"', '”' => '"',
            '×' => 'x', '→' => '>', '←' => '<', '…' => '...', '€' => "\u{20ac}"]);
        $bytes = iconv('UTF-8', 'CP858//TRANSLIT', $plain);

        return $bytes === false ? (string) preg_replace('/[^\x20-\x7e\n]/', '?', $plain) : $bytes;
    }
}
