<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Docx;

use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\Picture;

/** Pictures of the package, each kept once however often it is shown. */
final class Media
{
    /** English Metric Units in a pixel of 1/96 inch (ECMA-376-1, 20.1.2.1). */
    private const UNITS = 9525;
    /** No picture is wider or higher than the text on its page: 16 cm by 22 cm. */
    public const WIDEST = 5_760_000;
    private const HIGHEST = 7_920_000;
    private const ENDINGS = [
        'image/png' => 'png',
        'image/jpeg' => 'jpeg',
        'image/gif' => 'gif',
        'image/svg+xml' => 'svg',
    ];
    /** Shown by programs that cannot draw lines: one dot that is not seen. */
    private const NOTHING = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAAC0lEQVR4nGNgAAIAAAUAAXpeqz8AAAAASUVORK5CYII=';
    /** A drawing of lines whose size its file does not say. */
    private const UNKNOWN_SIZE = [400, 300];

    /** Marks a picture that says nothing, and ends what is said of it ([MS-ODRAWXML], 2.27). */
    private const DECORATIVE = '><a:extLst><a:ext uri="{C183D7F6-B498-43B3-948B-1728B52AA6E4}"><adec:decorative xmlns:adec="http://schemas.microsoft.com/office/drawing/2017/decorative" val="1"/></a:ext></a:extLst></wp:docPr>';

    /** @var array<string, array{string, string}> name in the package and bytes, by hash */
    private array $pictures = [];
    private int $shown = 0;

    /**
     * @param Node $image what the text says of it
     *
     * @return string a run's drawing; empty for a picture that no program would show
     */
    public function drawing(Picture $picture, Node $image, Relationships $relationships): string
    {
        [$type, $bytes] = self::known($picture->mediaType(), $picture->bytes);
        if (!isset(self::ENDINGS[$type])) {
            return '';
        }
        $blip = sprintf('<a:blip r:embed="%s"/>', $this->kept($type, $bytes, $relationships));
        if ('image/svg+xml' === $type) {
            $nothing = $this->kept('image/png', (string) base64_decode(self::NOTHING, true), $relationships);
            $blip = sprintf(
                '<a:blip r:embed="%s"><a:extLst><a:ext uri="{96DAC541-7B7A-43D3-8B79-37D633B846F1}"><asvg:svgBlip xmlns:asvg="http://schemas.microsoft.com/office/drawing/2016/SVG/main" r:embed="%s"/></a:ext></a:extLst></a:blip>',
                $nothing,
                $this->kept($type, $bytes, $relationships),
            );
        }
        [$width, $height] = self::size($bytes, $image->attribute('width'));
        ++$this->shown;

        return sprintf(
            '<w:drawing><wp:inline distT="0" distB="0" distL="0" distR="0"><wp:extent cx="%1$d" cy="%2$d"/><wp:docPr id="%3$d" name="Picture %3$d" descr="%4$s"%6$s<a:graphic><a:graphicData uri="http://schemas.openxmlformats.org/drawingml/2006/picture"><pic:pic><pic:nvPicPr><pic:cNvPr id="%3$d" name="Picture %3$d" descr="%4$s"/><pic:cNvPicPr/></pic:nvPicPr><pic:blipFill>%5$s<a:stretch><a:fillRect/></a:stretch></pic:blipFill><pic:spPr><a:xfrm><a:off x="0" y="0"/><a:ext cx="%1$d" cy="%2$d"/></a:xfrm><a:prstGeom prst="rect"><a:avLst/></a:prstGeom></pic:spPr></pic:pic></a:graphicData></a:graphic></wp:inline></w:drawing>',
            $width,
            $height,
            $this->shown,
            Xml::escaped($image->textAttribute('alt')),
            $blip,
            true === $image->attribute('decorative') ? self::DECORATIVE : '/>',
        );
    }

    /** @return iterable<string, string> bytes by name in the package */
    public function parts(): iterable
    {
        foreach ($this->pictures as [$name, $bytes]) {
            yield 'word/' . $name => $bytes;
        }
    }

    /** @return list<string> the endings that the package's list of content types has to name */
    public static function types(): array
    {
        return array_map(
            static fn(string $type, string $ending): string => sprintf(
                '<Default Extension="%s" ContentType="%s"/>',
                $ending,
                $type,
            ),
            array_keys(self::ENDINGS),
            self::ENDINGS,
        );
    }

    /** @return string the relationship by which the part shows it */
    private function kept(string $type, string $bytes, Relationships $relationships): string
    {
        $hash = hash('sha256', $bytes);
        $this->pictures[$hash] ??= ['media/' . substr($hash, 0, 16) . '.' . self::ENDINGS[$type], $bytes];

        return $relationships->part('image', $this->pictures[$hash][0]);
    }

    /**
     * WebP is not among the kinds that programs for this format know, so its dots are written as PNG.
     *
     * @return array{string, string} media type and bytes
     */
    private static function known(string $type, string $bytes): array
    {
        $picture = 'image/webp' === $type ? @imagecreatefromstring($bytes) : false;
        if (false === $picture) {
            return [$type, $bytes];
        }
        imagesavealpha($picture, true);
        ob_start();
        imagepng($picture);

        return ['image/png', (string) ob_get_clean()];
    }

    /** @return array{int, int} width and height in English Metric Units: as wanted, in hundredths of the text’s width, or made to fit the page */
    private static function size(string $bytes, mixed $wanted): array
    {
        $size = @getimagesizefromstring($bytes) ?: self::sizeOfLines($bytes);
        $width = max(1, $size[0]) * self::UNITS;
        $height = max(1, $size[1]) * self::UNITS;
        if (is_int($wanted)) {
            return [
                intdiv(self::WIDEST * $wanted, 100),
                max(1, (int) round(($height * self::WIDEST * $wanted) / (100 * $width))),
            ];
        }
        $scale = min(1, self::WIDEST / $width, self::HIGHEST / $height);

        return [max(1, (int) round($width * $scale)), max(1, (int) round($height * $scale))];
    }

    /** @return array{int, int} pixels, as an SVG's view box says */
    private static function sizeOfLines(string $svg): array
    {
        $isSaid =
            1 ===
            preg_match(
                '/<svg\b[^>]*\bviewBox\s*=\s*["\'][\d.+-]+[\s,]+[\d.+-]+[\s,]+([\d.]+)[\s,]+([\d.]+)/',
                substr($svg, 0, 4096),
                $match,
            );

        return $isSaid ? [(int) ceil((float) $match[1]), (int) ceil((float) $match[2])] : self::UNKNOWN_SIZE;
    }
}
