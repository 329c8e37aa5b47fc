<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Backups\BackupFile;
use App\Backups\BackupRefused;
use App\Backups\Backups;
use App\Backups\Machine;
use App\Backups\Restoring;
use App\Backups\Wanted;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Backups: made, taken along, put back. */
final class BackupController
{
    public function all(): JsonResponse
    {
        return response()->json(['backups' => $this->backups()->all()]);
    }

    public function make(): JsonResponse
    {
        $this->orWords(fn() => $this->backups()->make(new Wanted()));

        return $this->all();
    }

    public function download(string $name): BinaryFileResponse
    {
        return response()->download($this->backups()->path($name) ?? abort(404, 'There is no such backup.'));
    }

    /** For a spare machine: made for this once. */
    public function fresh(Request $request): BinaryFileResponse
    {
        $wanted = new Wanted($request->boolean('users', true), $request->boolean('tapes', true));
        $file = config('junction.data').'/spare-'.bin2hex(random_bytes(4)).'.zip';
        $this->orWords(static fn() => BackupFile::make($file, Machine::here(), $wanted));

        return response()->download($file, 'nimble-junction-'.gmdate('Y-m-d-Hi').'.zip')->deleteFileAfterSend();
    }

    /** Of those that are kept here. */
    public function restore(Request $request, Restoring $restoring, string $name): JsonResponse
    {
        $path = $this->backups()->path($name) ?? abort(404, 'There is no such backup.');

        return $this->putBack($request, $restoring, $path);
    }

    /** One that was brought along. */
    public function bring(Request $request, Restoring $restoring): JsonResponse
    {
        $file = config('junction.data').'/brought-'.bin2hex(random_bytes(4)).'.zip';
        try {
            file_put_contents($file, $request->getContent(true));

            return $this->putBack($request, $restoring, $file);
        } finally {
            @unlink($file);
        }
    }

    private function putBack(Request $request, Restoring $restoring, string $file): JsonResponse
    {
        $wanted = new Wanted($request->boolean('users'), $request->boolean('tapes', true));
        $done = $this->orWords(static fn(): array => $restoring->restore($file, Machine::here(), $wanted));

        return response()->json(['done' => $done]);
    }

    private function backups(): Backups
    {
        return new Backups(Machine::here());
    }

    /**
     * @template T
     *
     * @param \Closure(): T $deed
     *
     * @return T
     */
    private function orWords(\Closure $deed): mixed
    {
        try {
            return $deed();
        } catch (BackupRefused $refused) {
            abort(422, $refused->getMessage());
        }
    }
}
