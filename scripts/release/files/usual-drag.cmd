@echo off
rem Starts Usual Drag with the Node of this computer.
where node >nul 2>nul
if errorlevel 1 (
  echo Usual Drag needs Node 20.19 or newer, which is not installed here.
  pause
  exit /b 1
)
set USUAL_DRAG_PROGRAM=usual-drag
node "%~dp0usual-drag.mjs" %*
if errorlevel 1 pause
