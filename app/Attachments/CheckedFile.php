<?php

declare(strict_types=1);

namespace Elmstone\Attachments;

use Elmstone\Core\Money\Refused;
use GdImage;

/**
 * A file as it may be kept. A picture is drawn anew, so that nothing is in it but the picture: no script, no place
 * where it was taken. A PDF is looked at for being one. Anything else is refused, whatever its name says.
 */
final readonly class CheckedFile
{
    public const PDF = 'application/pdf';

    /** Bytes a file may have. */
    public const MOST = 8_000_000;

    /** Points a picture may have, so that it can be drawn. */
    private const MOST_POINTS = 50_000_000;

    /** The longer side of a picture as it is kept. */
    private const SIDE = 2400;

    private function __construct(public string $name, public string $mime, public string $bytes)
    {
    }

    /** @throws Refused too_large, no_picture, no_pdf, empty_file */
    public static function of(string $name, string $bytes): self
    {
        $name = mb_substr(trim(preg_replace('/[\x00-\x1f\x7f\/\\\\"]+/u', ' ', $name) ?? ''), -120);
        $name = $name === '' ? 'file' : $name;

        return match (true) {
            $bytes === '' => throw Refused::because('empty_file', "“{$name}” is empty."),
            strlen($bytes) > self::MOST => throw self::tooLarge($name),
            str_starts_with($bytes, '%PDF-') => new self($name, self::PDF, self::pdf($name, $bytes)),
            default => self::picture($name, $bytes),
        };
    }

    public static function tooLarge(string $name): Refused
    {
        return Refused::because(
            'too_large',
            "“{$name}” has more than 8 MB. Take a smaller picture, or split the paper.",
        );
    }

    /** A PDF says at its end where its list of objects begins, and there it is. ISO 32000-1, 7.5.5. */
    private static function pdf(string $name, string $bytes): string
    {
        $tail = substr($bytes, -2048);
        $isOne = preg_match('/^%PDF-[12]\.\d/', $bytes) === 1
            && preg_match('/startxref\s+(\d{1,9})\s+%%EOF\s*$/', $tail, $found) === 1
            && preg_match('/^(xref|\d+\s+\d+\s+obj)/', ltrim(substr($bytes, (int) $found[1], 40))) === 1;

        return $isOne ? $bytes : throw Refused::because(
            'no_pdf',
            "“{$name}” says it is a PDF, but it is not a whole one.",
        );
    }

    private static function picture(string $name, string $bytes): self
    {
        $size = @getimagesizefromstring($bytes);
        $isKnown = $size !== false && in_array($size[2], [IMAGETYPE_JPEG, IMAGETYPE_PNG, IMAGETYPE_WEBP], true);
        $isKnown || throw Refused::because(
            'no_picture',
            "“{$name}” is neither a picture (JPEG, PNG, WebP) nor a PDF.",
        );
        $size[0] * $size[1] > self::MOST_POINTS && throw Refused::because(
            'too_large',
            "“{$name}” has {$size[0]} × {$size[1]} points, which is more than a picture here may have.",
        );
        $drawn = @imagecreatefromstring($bytes);
        $drawn instanceof GdImage || throw Refused::because('no_picture', "“{$name}” cannot be read as a picture.");

        return $size[2] === IMAGETYPE_PNG
            ? new self($name, 'image/png', self::written(self::fitting($drawn), 'png'))
            : new self($name, 'image/jpeg', self::written(self::fitting($drawn), 'jpeg'));
    }

    private static function fitting(GdImage $picture): GdImage
    {
        [$width, $height] = [imagesx($picture), imagesy($picture)];
        $scale = self::SIDE / max($width, $height, self::SIDE);
        $scaled = $scale < 1
            ? imagescale($picture, max(1, (int) ($width * $scale)), max(1, (int) ($height * $scale)))
            : $picture;

        return $scaled instanceof GdImage ? $scaled : $picture;
    }

    /** @param  'png'|'jpeg'  $as */
    private static function written(GdImage $picture, string $as): string
    {
        ob_start();
        imagesavealpha($picture, true);
        $as === 'png' ? imagepng($picture, null, 6) : imagejpeg($picture, null, 86);

        return (string) ob_get_clean();
    }
}
