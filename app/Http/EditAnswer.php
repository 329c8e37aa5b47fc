<?php

declare(strict_types=1);

namespace App\Http;

use App\Shows\Draft;
use App\Shows\Edited;
use App\Shows\OlderForm;
use App\Shows\ShowPage;
use App\Shows\ShowStore;
use App\Shows\Subject;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use NimbleJunction\Core\Show\ShowRefused;

/**
 * Makes an edit that was asked for, and answers with the show as it is then. Whoever changes something may say, in the
 * header X-Base-Revision, which revision was looked at: what others have changed since is then not overwritten.
 */
final readonly class EditAnswer
{
    /** With "changes" only what is otherwise is answered, where that is less. */
    private const ANSWER = 'X-Answer';
    private const BASE = 'X-Base-Revision';

    public function __construct(private ShowStore $shows, private ShowPage $page)
    {
    }

    /**
     * @param string|\Closure(): string $summary asked for once it is known what is changed
     * @param callable(Draft): void $change
     * @param list<Subject>|null $subjects the parts that it changes; null for all that it does
     *
     * @throws ShowRefused|OlderForm
     */
    public function of(Request $request, string|\Closure $summary, callable $change, ?array $subjects = []): JsonResponse
    {
        $edited = $this->shows->amend($summary, $request->user(), $change, self::base($request), $subjects);

        return $this->after($request, $edited);
    }

    /**
     * The show as it is after an edit.
     *
     * @param array<string, mixed> $more what else is said
     */
    public function after(Request $request, Edited $edited, array $more = []): JsonResponse
    {
        $page = self::isBrief($request)
            ? $this->page->changes($edited->amendment, $edited->base, $edited->revision, $request->user())
            : null;

        return response()->json([...$page ?? $this->whole($request), 'notice' => $edited->notice, ...$more]);
    }

    /** @return array<string, mixed> the show as it is */
    public function whole(Request $request): array
    {
        return $this->page->assemble($request->user(), ! self::isBrief($request));
    }

    /** Whether only what is otherwise is wanted, where that is less. */
    public static function isBrief(Request $request): bool
    {
        return $request->header(self::ANSWER) === 'changes';
    }

    /** @param array<string, mixed> $more */
    public static function with(JsonResponse $answer, array $more): JsonResponse
    {
        return $answer->setData([...$answer->getData(true), ...$more]);
    }

    /** @return array<string, mixed> the JSON object that was sent, without an id */
    public static function body(Request $request): array
    {
        /** @var array<mixed> $body */
        $body = $request->json()->all();
        abort_if($body !== [] && array_is_list($body), 422, 'A JSON object is needed here, not a list.');

        return array_diff_key($body, ['id' => true]);
    }

    /** The revision that was looked at; null where nobody says so. */
    public static function base(Request $request): ?int
    {
        $base = $request->header(self::BASE);
        abort_if(
            $base !== null && ! ctype_digit($base),
            422,
            self::BASE.' must be the number of a revision, as "revision" says it.',
        );

        return $base === null ? null : (int) substr($base, 0, 15);
    }
}
