<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>Nimble Junction</title>
    <meta name="theme-color" content="#0b1d20">
    <link rel="icon" href="/mark.svg" type="image/svg+xml">
    <link rel="apple-touch-icon" href="/icons/180.png">
    <link rel="manifest" href="/manifest.json" crossorigin="use-credentials">
    @vite('resources/ts/main.ts')
</head>
<body>
    <div id="app"></div>
    <noscript>Nimble Junction needs JavaScript to show what is alive.</noscript>
</body>
</html>
