<!doctype html>
<html lang="en" data-theme="night">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1, viewport-fit=cover">
    <title>Surface</title>
    <meta name="theme-color" content="#0b1d20">
    <meta name="mobile-web-app-capable" content="yes">
    <link rel="icon" href="/mark.svg" type="image/svg+xml">
    <link rel="apple-touch-icon" href="/icons/180.png">
    @if (request()->route('id'))
    <link rel="manifest" href="/s/{{ request()->route('id') }}/manifest.json" crossorigin="use-credentials">
    @endif
    @vite('resources/ts/surface/main.ts')
</head>
<body>
    <div id="surface" data-surface="{{ request()->route('id') }}"></div>
    <noscript>This page needs JavaScript to show what is alive.</noscript>
</body>
</html>
