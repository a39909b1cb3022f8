<?php

declare(strict_types=1);

namespace Elmstone\Labels;

use Elmstone\Core\Money\Refused;

/**
 * A sheet of labels, or a roll, whose page is one label. They are data: resources/labels/sizes.json, millimetres.
 */
final readonly class LabelSize
{
    private function __construct(
        public string $name,
        public string $words,
        public float $pageWidth,
        public float $pageHeight,
        public int $columns,
        public int $rows,
        public float $width,
        public float $height,
        public float $left,
        public float $top,
        public float $gapAcross,
        public float $gapDown,
    ) {
    }

    /** @return array<string, self> by name */
    public static function all(): array
    {
        $sizes = [];
        $file = (string) file_get_contents(resource_path('labels/sizes.json'));
        $read = json_decode($file, true, 8, JSON_THROW_ON_ERROR);

        foreach (is_array($read) ? $read : [] as $one) {
            assert(is_array($one));
            $size = new self(
                self::text($one, 'name'),
                self::text($one, 'words'),
                self::length($one, 'page_width'),
                self::length($one, 'page_height'),
                (int) self::length($one, 'columns'),
                (int) self::length($one, 'rows'),
                self::length($one, 'width'),
                self::length($one, 'height'),
                self::length($one, 'left'),
                self::length($one, 'top'),
                self::length($one, 'gap_across'),
                self::length($one, 'gap_down'),
            );
            $sizes[$size->name] = $size;
        }

        return $sizes;
    }

    /** @throws Refused no_such_size */
    public static function named(string $name): self
    {
        return self::all()[$name] ?? throw Refused::because('no_such_size', 'Choose a size of label.');
    }

    /** How many are on a page. */
    public function onPage(): int
    {
        return $this->columns * $this->rows;
    }

    public function isRoll(): bool
    {
        return $this->onPage() === 1;
    }

    /**
     * @param  int  $place on a page, from 0, row by row
     * @return array{float, float} the left and the upper edge of a label
     */
    public function corner(int $place): array
    {
        return [
            $this->left + ($place % $this->columns) * ($this->width + $this->gapAcross),
            $this->top + intdiv($place, $this->columns) * ($this->height + $this->gapDown),
        ];
    }

    /** @param  array<mixed>  $of */
    private static function text(array $of, string $key): string
    {
        return is_string($of[$key] ?? null) ? $of[$key] : '';
    }

    /** @param  array<mixed>  $of */
    private static function length(array $of, string $key): float
    {
        return is_numeric($of[$key] ?? null) ? (float) $of[$key] : 0.0;
    }
}
